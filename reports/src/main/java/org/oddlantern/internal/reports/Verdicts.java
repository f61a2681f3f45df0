package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunEvent;

/** Says in a sentence what came of a run. */
final class Verdicts {

  private Verdicts() {}

  static String sentence(RunData run) {
    String cut = cutOff(run);
    List<String> parts = new ArrayList<>();
    for (Outcome outcome : Outcome.values()) {
      long count = run.cases().stream().filter(one -> one.outcome() == outcome).count();
      if (count > 0 && outcome != Outcome.PASSED) {
        parts.add(Amounts.counted(count, outcome.word()));
      }
    }
    int left = run.leftBehind().size();
    int problems = run.problems().size();
    String behind = (left == 0 ? "" : " " + Amounts.of(left, "thing") + " could not be taken back.")
        + (problems == 0 ? "" : " " + Amounts.of(problems, "problem") + " of the run itself.");
    if (run.cases().isEmpty()) {
      return cut + "Nothing can be said." + behind;
    }
    if (parts.isEmpty()) {
      return cut + held(run.cases()) + behind;
    }
    long passed =
        run.cases().stream().filter(one -> one.outcome() == Outcome.PASSED).count();
    return cut + "Of " + Amounts.of(run.cases().size(), "promise") + " " + passed + " held: "
        + String.join(", ", parts) + "." + behind;
  }

  private static String cutOff(RunData run) {
    RunEvent.Ended ended = run.ended();
    if (ended != null) {
      return ended.stopped() ? "The run was stopped. " : "";
    }
    String cut = run.cutOff();
    return "T" + cut.substring(1) + ". ";
  }

  private static String held(List<CaseRecord> cases) {
    long unproven =
        cases.stream().filter(one -> one.marks().contains(Mark.UNPROVEN)).count();
    String all =
        cases.size() == 1 ? "The one promise held" : "All " + cases.size() + " promises held";
    return unproven == 0 ? all + "." : all + ", but " + unproven + " of them checked nothing.";
  }
}
