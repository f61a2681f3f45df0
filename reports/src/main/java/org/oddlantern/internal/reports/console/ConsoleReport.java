package org.oddlantern.internal.reports.console;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Timer;
import java.util.TimerTask;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.DescribedRun;
import org.oddlantern.internal.reports.TriedRecipes;

/**
 * Prints a run while it goes on: a line for each case, beginning with the word of its outcome; whatever
 * did not pass in full; the counts last.
 */
public final class ConsoleReport implements RunListener {

  /** Of the word of an outcome and the time after it. */
  private static final int WIDTH = 18;

  private static final int TICK_MILLIS = 200;

  private static final Pattern WORD =
      Pattern.compile("^ *(?:at|wanted|got|hint|sent|received|printed|log|trace|repeat) {2,}");

  private final PrintStream out;
  private final Style style;
  private final Detail detail;
  private final Path folder;
  private final LiveLine live;
  private final EndText end = new EndText();
  private final PromisesHeard promises = new PromisesHeard();
  private final WatchedText watched = new WatchedText();
  private final DescribedText described = new DescribedText();
  private final TriedRecipes recipes = new TriedRecipes();
  private final Timer timer = new Timer("odd-lantern console", true);
  private String suite = "";
  private String seed = "";
  private boolean shuffled;
  private boolean inLanes;
  private int wasPutBack;
  private boolean broken;

  /**
   * A console that tells what is usual.
   *
   * @param out where to print
   * @param style how it looks
   */
  public ConsoleReport(PrintStream out, Style style) {
    this(out, style, Detail.PLAIN, Map.of(), Path.of(""));
  }

  /**
   * A console.
   *
   * @param out where to print
   * @param style how it looks
   * @param detail how much it tells
   * @param earlier how many microseconds cases took before, by their full names; may be empty
   * @param folder the folder of the journal, as whoever reads the console would name it
   */
  public ConsoleReport(
      PrintStream out, Style style, Detail detail, Map<String, Long> earlier, Path folder) {
    this.out = out;
    this.style = style;
    this.detail = detail;
    this.folder = folder;
    this.live = new LiveLine(out, style, earlier);
  }

  @Override
  public void hear(RunEvent event) {
    synchronized (out) {
      live.hear(event);
      promises.hear(event);
      watched.hear(event);
      described.hear(event);
      if (event instanceof RunEvent.CaseFinished finished) {
        recipes.add(finished.record());
      }
      if (!(event instanceof RunEvent.CaseBegan)) {
        live.erase();
        tell(event);
      }
      if (style.live() && !(event instanceof RunEvent.Ended)) {
        live.draw();
      }
      out.flush();
    }
  }

  /**
   * What the run has seen of the descriptions of its services.
   *
   * @return the descriptions; empty if there are none
   */
  public DescribedRun described() {
    return described.run();
  }

  @Override
  public boolean hearsBeginnings() {
    return style.live();
  }

  private void tell(RunEvent event) {
    if (event instanceof RunEvent.Started started) {
      begin(started);
    } else if (event instanceof RunEvent.CaseFinished finished) {
      tell(finished.record());
    } else if (event instanceof RunEvent.PutBack putBack) {
      tell(putBack);
    } else if (event instanceof RunEvent.ProblemFound found) {
      line("problem   " + Plain.line(found.problem()), 10);
    } else if (event instanceof RunEvent.Ended ended) {
      timer.cancel();
      end(ended);
    }
  }

  /** Draws the line while nothing else happens. */
  private void tick() {
    timer.schedule(
        new TimerTask() {
          @Override
          public void run() {
            synchronized (out) {
              live.draw();
            }
          }
        },
        TICK_MILLIS,
        TICK_MILLIS);
  }

  @Override
  public String toString() {
    return "the console";
  }

  private void begin(RunEvent.Started started) {
    seed = started.seed();
    shuffled = started.size().shuffled();
    inLanes = started.lanes() > 1;
    headed(
        "Odd Lantern",
        "  %s, environment %s, %s in %s, seed %s"
                .formatted(
                    Plain.line(started.name()),
                    started.environment(),
                    Amounts.of(started.cases(), "case"),
                    Amounts.of(started.suites(), "suite"),
                    started.seed())
            + (inLanes ? ", " + started.lanes() + " lanes" : "")
            + (shuffled ? ", shuffled" : ""));
    started.warnings().forEach(warning -> line("warning   " + Plain.line(warning), 10));
    if (style.live()) {
      tick();
    }
  }

  private void tell(CaseRecord one) {
    if (!one.counts() && !one.whose().isEmpty()) {
      return; // what was made for one case alone is told with it in the reports
    }
    if (one.outcome() == Outcome.INTERRUPTED && !one.hasRun()) {
      return; // the counts tell how many have not run
    }
    if (one.counts()) {
      end.hear(one);
    }
    if (isLeftOut(one)) {
      return;
    }
    if (!inLanes && !one.suite().equals(suite)) {
      suite = one.suite();
      breakLine();
      out.println(style.heading(suite));
    }
    String time = one.hasRun() ? Amounts.time(one.tookMicros()) : "";
    int width = Math.max(1, WIDTH - one.word().length());
    String head = one.word() + " ".repeat(Math.max(0, width - time.length())) + time + "  ";
    String title = (inLanes ? one.suite() + ": " : "") + Plain.line(one.title());
    List<String> lines = wrapped(head + title + marks(one), head.length());
    String first = lines.get(0).substring(one.word().length());
    out.println(word(one) + (lines.size() == 1 ? marked(first, marks(one)) : first));
    lines.stream().skip(1).forEach(out::println);
    for (AttemptRecord earlier : one.earlier()) {
      ProblemRecord problem = earlier.problem();
      line(
          "          before    " + earlier.outcome().word() + " after "
              + Amounts.time(earlier.tookMicros())
              + (problem == null ? "" : ", " + Plain.line(first(problem))),
          20);
    }
    CaseText.of(one, detail, folder).forEach(text -> line("          " + text, indent(text)));
    broken = !one.outcome().isGreen() && !one.asked().isEmpty();
    if (broken) {
      out.println();
    }
  }

  /** What passed, if little is wanted; what is blocked, since those of one cause are one line at the end. */
  private boolean isLeftOut(CaseRecord one) {
    return detail == Detail.QUIET && one.outcome().isGreen()
        || detail != Detail.EXCHANGES && one.outcome() == Outcome.BLOCKED;
  }

  private String marked(String line, String marks) {
    return marks.isEmpty()
        ? line
        : line.substring(0, line.length() - marks.length()) + style.quiet(marks);
  }

  private List<String> wrapped(String line, int indent) {
    String text = style.ascii() ? Plain.ascii(line) : line;
    boolean stack = line.strip().startsWith("at ") && line.endsWith(")");
    return stack ? List.of(text) : Wrapping.of(text, style.columns(), indent);
  }

  /** A line whose beginning stands out, as far as it stands on the first line. */
  private void headed(String heading, String rest) {
    List<String> lines = wrapped(heading + rest, 10);
    String first = lines.get(0);
    int end = Math.min(first.length(), heading.length());
    out.println(style.heading(first.substring(0, end)) + first.substring(end));
    lines.stream().skip(1).forEach(out::println);
  }

  private void line(String line, int indent) {
    wrapped(line, indent).forEach(out::println);
  }

  /** Below the text of the line, after the word it begins with. */
  private static int indent(String text) {
    int blank = text.length() - text.stripLeading().length();
    Matcher word = WORD.matcher(text);
    return 10 + (word.find() ? word.end() : blank + 2);
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
    return marks.isEmpty() ? "" : "  (" + String.join(", ", marks) + ")";
  }

  private void tell(RunEvent.PutBack putBack) {
    if (!putBack.leftBehind()) {
      wasPutBack++;
      return;
    }
    out.println(style.alarm("left behind") + "  by " + putBack.id().replaceAll("^.*\\.", ""));
    out.println("          " + Plain.line(putBack.deed()) + ": " + Plain.line(putBack.problem()));
    putBack.exchanges().stream()
        .filter(exchange -> exchange.isTroubled() || exchange.status() >= 400)
        .forEach(exchange ->
            out.println("          put it back by hand: " + Plain.line(exchange.curl(folder))));
  }

  private void again(EndText.Line one) {
    String head = "%-9s ".formatted(one.word());
    String text = Plain.line(one.text());
    int indent = head.length() + text.length() - text.stripLeading().length();
    List<String> lines = wrapped(head + text, indent);
    String first = lines.get(0);
    out.println(
        one.alarming()
            ? style.alarm(first.substring(0, head.length())) + first.substring(head.length())
            : first);
    lines.stream().skip(1).forEach(out::println);
  }

  private void block(List<EndText.Line> lines) {
    if (!lines.isEmpty()) {
      out.println();
      lines.forEach(this::again);
    }
  }

  private void end(RunEvent.Ended ended) {
    Counts counts = new Counts(ended.counts());
    block(described.otherwise());
    block(end.lines());
    out.println();
    headed(String.join(", ", counts.told()), " in " + Amounts.time(ended.tookMicros()));
    if (!promises.sentence().isEmpty()) {
      line(promises.sentence(), 10);
    }
    described.sentences().forEach(this::again);
    recipes
        .told()
        .forEach(one ->
            again(new EndText.Line(one.kind().toLowerCase(Locale.ROOT), one.sentence(), false)));
    watched.lines(described.run()).forEach(this::again);
    if (wasPutBack > 0 || ended.leftBehind() > 0) {
      out.println(String.format(
          Locale.ROOT,
          "%s put back, %d left behind",
          Amounts.of(wasPutBack, "thing"),
          ended.leftBehind()));
    }
    if (ended.stopped()) {
      out.println("the run was stopped; whatever was running or had not run yet is interrupted");
    }
    ended.warnings().forEach(warning -> line("warning   " + Plain.line(warning), 10));
    boolean green = ended.leftBehind() == 0 && counts.broken() == 0;
    if (!green) {
      out.println(
          shuffled
              ? "the same values and order again: --shuffle --seed " + seed
              : "the same values again: --seed " + seed);
    }
  }
}
