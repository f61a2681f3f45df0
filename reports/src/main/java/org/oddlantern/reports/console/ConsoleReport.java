package org.oddlantern.reports.console;

import java.io.PrintStream;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.oddlantern.reports.Amounts;
import org.oddlantern.run.AttemptRecord;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.Mark;
import org.oddlantern.run.Outcome;
import org.oddlantern.run.ProblemRecord;
import org.oddlantern.run.RunEvent;
import org.oddlantern.run.RunListener;

/**
 * Prints a run while it goes on: a line for each case, beginning with the word of its outcome; whatever
 * did not pass in full; the counts last.
 */
public final class ConsoleReport implements RunListener {

  private static final List<String> ORDER = List.of(
      "failed",
      "errored",
      "blocked",
      "interrupted",
      "known fault",
      "skipped",
      "pending",
      "unproven",
      "passed");

  private static final Set<String> BROKEN = Set.of("failed", "errored", "blocked", "interrupted");

  /** Of the word of an outcome and the time after it. */
  private static final int WIDTH = 18;

  private final PrintStream out;
  private final Style style;
  private String suite = "";
  private String seed = "";
  private boolean inLanes;
  private int takenBack;
  private boolean broken;

  /**
   * A console.
   *
   * @param out where to print
   * @param style how it looks
   */
  public ConsoleReport(PrintStream out, Style style) {
    this.out = out;
    this.style = style;
  }

  @Override
  public void hear(RunEvent event) {
    if (event instanceof RunEvent.Started started) {
      begin(started);
    } else if (event instanceof RunEvent.CaseFinished finished) {
      tell(finished.record());
    } else if (event instanceof RunEvent.PutBack putBack) {
      tell(putBack);
    } else if (event instanceof RunEvent.Ended ended) {
      end(ended);
    }
    out.flush();
  }

  @Override
  public String toString() {
    return "the console";
  }

  private void begin(RunEvent.Started started) {
    seed = started.seed();
    inLanes = started.lanes() > 1;
    out.println(style.heading("Odd Lantern")
        + "  %s, environment %s, %s in %s, seed %s"
            .formatted(
                Plain.line(started.name()),
                started.environment(),
                Amounts.of(started.cases(), "case"),
                Amounts.of(started.suites(), "suite"),
                started.seed())
        + (inLanes ? ", " + started.lanes() + " lanes" : ""));
    started.warnings().forEach(warning -> out.println("warning   " + Plain.line(warning)));
  }

  private void tell(CaseRecord one) {
    if (!one.counts() && !one.whose().isEmpty()) {
      return; // what was made for one case alone is told with it in the reports
    }
    if (one.outcome() == Outcome.INTERRUPTED && !one.hasRun()) {
      return; // the counts tell how many have not run
    }
    if (!inLanes && !one.suite().equals(suite)) {
      suite = one.suite();
      breakLine();
      out.println(style.heading(suite));
    }
    String time = one.hasRun() ? Amounts.time(one.tookMicros()) : "";
    int width = Math.max(1, WIDTH - one.word().length());
    out.println(word(one)
        + " ".repeat(Math.max(0, width - time.length()))
        + time
        + "  "
        + (inLanes ? one.suite() + ": " : "")
        + Plain.line(one.title())
        + marks(one));
    for (AttemptRecord earlier : one.earlier()) {
      ProblemRecord problem = earlier.problem();
      out.println("          before    " + earlier.outcome().word() + " after "
          + Amounts.time(earlier.tookMicros())
          + (problem == null ? "" : ", " + Plain.line(first(problem))));
    }
    CaseText.of(one).forEach(line -> out.println("          " + line));
    broken = !one.outcome().isGreen() && !one.asked().isEmpty();
    if (broken) {
      out.println();
    }
  }

  private static String first(ProblemRecord problem) {
    String at = problem.at().isEmpty() ? "" : "at " + problem.at() + ": ";
    return at + problem.message().lines().findFirst().orElse(problem.type());
  }

  /** An empty line, unless the last one is empty already. */
  private void breakLine() {
    if (!broken) {
      out.println();
    }
    broken = false;
  }

  private String word(CaseRecord one) {
    return one.outcome().isGreen() ? one.word() : style.alarm(one.word());
  }

  private String marks(CaseRecord one) {
    if (one.marks().isEmpty()) {
      return "";
    }
    List<String> marks = one.marks().stream()
        .filter(mark -> mark != Mark.UNPROVEN)
        .map(Mark::word)
        .toList();
    return marks.isEmpty() ? "" : style.quiet("  (" + String.join(", ", marks) + ")");
  }

  private void tell(RunEvent.PutBack putBack) {
    if (!putBack.leftBehind()) {
      takenBack++;
      return;
    }
    out.println(style.alarm("left behind") + "  by " + putBack.id().replaceAll("^.*\\.", ""));
    out.println("          " + Plain.line(putBack.deed()) + ": " + Plain.line(putBack.problem()));
    putBack.exchanges().stream()
        .filter(exchange -> exchange.isTroubled() || exchange.status() >= 400)
        .forEach(exchange ->
            out.println("          take it back by hand: " + Plain.line(exchange.curl())));
  }

  private void end(RunEvent.Ended ended) {
    Map<String, Integer> counts = ended.counts();
    List<String> parts = ORDER.stream()
        .filter(counts::containsKey)
        .map(word -> Amounts.counted(counts.getOrDefault(word, 0), word))
        .toList();
    out.println();
    out.println(
        style.heading(String.join(", ", parts)) + " in " + Amounts.time(ended.tookMicros()));
    if (takenBack > 0 || ended.leftBehind() > 0) {
      out.println("%s taken back, %d left behind"
          .formatted(Amounts.of(takenBack, "thing"), ended.leftBehind()));
    }
    if (ended.stopped()) {
      out.println("the run was stopped; whatever was running or had not run yet is interrupted");
    }
    boolean green = ended.leftBehind() == 0 && counts.keySet().stream().noneMatch(BROKEN::contains);
    if (!green) {
      out.println("the same values again: --seed " + seed);
    }
  }
}
