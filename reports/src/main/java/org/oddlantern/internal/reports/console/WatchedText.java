package org.oddlantern.internal.reports.console;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.DescribedRun;
import org.oddlantern.internal.reports.ExaminedRun;

/** What is told at the end of a run of what its cases would notice: what they know first, the rest in numbers. */
final class WatchedText {

  private static final int MOST_KNOWN = 10;
  private static final int MOST_OFTEN = 5;
  private static final int MOST_LEFT_OUT = 10;

  private final List<ExaminedRecord> records = new ArrayList<>();
  private final Map<String, String> titles = new HashMap<>();

  void hear(RunEvent event) {
    if (event instanceof RunEvent.CaseExamined examined) {
      records.add(examined.record());
    } else if (event instanceof RunEvent.CaseFinished finished) {
      titles.put(
          finished.record().id(),
          finished.record().suite() + ": " + finished.record().title());
    }
  }

  /** The lines, each with its word; none if nobody asked. */
  List<EndText.Line> lines(DescribedRun described) {
    List<EndText.Line> lines = new ArrayList<>();
    if (records.isEmpty()) {
      return lines;
    }
    ExaminedRun run = new ExaminedRun(records, described);
    lines.add(new EndText.Line("watched", run.sentence(), false));
    List<ExaminedRun.Known> known = run.known();
    known.stream().limit(MOST_KNOWN).forEach(one -> known(one, lines));
    more(known.size() - MOST_KNOWN, "that cases know", lines);
    run.oftenUnwatched().stream().limit(MOST_OFTEN).forEach(one -> {
      lines.add(new EndText.Line("often", one.sentence(), false));
      if (!one.line().isEmpty()) {
        lines.add(new EndText.Line("", "  " + one.line(), false));
      }
    });
    int rest = run.operations().stream().mapToInt(one -> run.rest(one).size()).sum();
    if (rest > 0) {
      lines.add(new EndText.Line(
          "open",
          Amounts.of(rest, "other place") + " that no test checks"
              + (run.required() == 0
                  ? ""
                  : String.format(
                      Locale.ROOT, ", of which the description requires %,d", run.required()))
              + ", each with a line to paste: report/blind-spots.html",
          false));
    }
    List<ExaminedRecord> left = run.notExamined();
    left.stream()
        .limit(MOST_LEFT_OUT)
        .forEach(one -> lines.add(new EndText.Line(
            "left out", titles.getOrDefault(one.id(), one.id()) + ": " + one.reason(), false)));
    more(left.size() - MOST_LEFT_OUT, "that were left out", lines);
    return lines;
  }

  private static void known(ExaminedRun.Known one, List<EndText.Line> lines) {
    lines.add(new EndText.Line(
        "known",
        one.operation().line() + ", " + one.seen().place().place() + ": "
            + one.seen().place().known() + ", and "
            + ExaminedRun.sentence(one.seen().place()),
        false));
    if (!one.seen().place().line().isEmpty()) {
      lines.add(new EndText.Line("", "  " + one.seen().place().line(), false));
    }
  }

  private static void more(int count, String what, List<EndText.Line> lines) {
    if (count > 0) {
      lines.add(
          new EndText.Line("", String.format(Locale.ROOT, "and %,d more %s", count, what), false));
    }
  }
}
