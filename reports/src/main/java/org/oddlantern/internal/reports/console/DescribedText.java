package org.oddlantern.internal.reports.console;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.oddlantern.internal.described.Coverage;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.DescribedRun;
import org.oddlantern.json.Finding;

/** What is told at the end of a run of the descriptions of its services: how much was called, what is otherwise. */
final class DescribedText {

  private static final int MOST = 10;

  private final DescribedRun run = new DescribedRun(DescribedText::text);

  private final Set<String> told = new HashSet<>();

  private static String text(BodyRecord body) {
    return String.valueOf(body.text());
  }

  void hear(RunEvent event) {
    if (event instanceof RunEvent.Described described) {
      run.describe(described.record());
    } else if (event instanceof RunEvent.CaseFinished finished) {
      run.add(finished.record());
    } else if (event instanceof RunEvent.ProblemFound found) {
      told.add(found.problem());
    }
  }

  DescribedRun run() {
    return run;
  }

  /** What was seen in all, each line with its word; none if nothing is described. */
  List<EndText.Line> sentences() {
    List<EndText.Line> lines = new ArrayList<>();
    if (run.isEmpty()) {
      return lines;
    }
    lines.add(new EndText.Line("described", run.sentence(), false));
    String deprecated = run.deprecated().stream()
        .limit(MOST)
        .map(one -> one.operation().line() + " in " + Amounts.of(one.cases().size(), "case"))
        .collect(Collectors.joining(", "));
    if (!deprecated.isEmpty()) {
      lines.add(new EndText.Line("deprecated", deprecated, false));
    }
    run.problems().stream()
        .filter(problem -> !told.contains(problem))
        .forEach(problem -> lines.add(new EndText.Line("", problem, false)));
    return lines;
  }

  /** What was not as described, with the lines that would say so. */
  List<EndText.Line> otherwise() {
    List<EndText.Line> lines = new ArrayList<>();
    List<Coverage.Seen> deviations = run.deviations();
    deviations.stream().limit(MOST).forEach(one -> add(one, lines));
    if (deviations.size() > MOST) {
      lines.add(new EndText.Line(
          "",
          String.format(
              Locale.ROOT,
              "and %,d more that are not as described: report/description.html",
              deviations.size() - MOST),
          false));
    }
    return lines;
  }

  private static void add(Coverage.Seen seen, List<EndText.Line> lines) {
    Deviation one = seen.deviation();
    Finding finding = one.finding();
    lines.add(new EndText.Line(
        "otherwise",
        one.subject().operation() + ", " + finding.where() + ", in "
            + Amounts.of(seen.cases().size(), "case"),
        false));
    lines.add(new EndText.Line("", "  wanted  " + finding.wanted(), false));
    lines.add(new EndText.Line("", "  got     " + finding.got(), false));
    if (one.proposal().isThere()) {
      lines.add(new EndText.Line("", "  to say so, add at " + one.proposal().place() + ":", false));
      one.proposal()
          .lines()
          .lines()
          .forEach(line -> lines.add(new EndText.Line("", "    " + line, false)));
    }
  }
}
