package org.oddlantern.internal.reports;

import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.record.RunEvent;

/** Says in a sentence what came of a run. */
final class Verdicts {

  private Verdicts() {}

  static String sentence(RunData run) {
    String cut = cutOff(run);
    int left = run.leftBehind().size();
    int problems = run.problems().size();
    String behind = (left == 0 ? "" : " " + Amounts.of(left, "thing") + " could not be put back.")
        + (problems == 0 ? "" : " " + Amounts.of(problems, "problem") + " of the run itself.");
    String said =
        run.cases().isEmpty() ? "Nothing can be said." : Counts.of(run.cases()).sentence();
    return cut + said + behind;
  }

  private static String cutOff(RunData run) {
    RunEvent.Ended ended = run.ended();
    if (ended != null) {
      return ended.stopped() ? "The run was stopped. " : "";
    }
    String cut = run.cutOff();
    return "T" + cut.substring(1) + ". ";
  }
}
