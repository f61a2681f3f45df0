package org.oddlantern.internal.reports.html;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.CaseHistory;
import org.oddlantern.internal.reports.PastRun;
import org.oddlantern.internal.reports.RunHistory;

/**
 * The page of earlier runs.
 *
 * @param title how many runs, in words
 * @param span from when to when
 * @param whole the runs as a whole; empty if there is none
 * @param runs each run, the newest first
 * @param troubled cases that were broken or flaky in some run, the worst first
 * @param slower cases that have grown slower, the worst first
 * @param calm how many others there are, in words
 * @param problems journals that could not be read
 */
public record HistoryView(
    String title,
    String span,
    List<Row> whole,
    List<RunRow> runs,
    List<Row> troubled,
    List<Row> slower,
    String calm,
    List<String> problems) {

  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.ENGLISH).withZone(ZoneOffset.UTC);

  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH).withZone(ZoneOffset.UTC);
  private static final DateTimeFormatter CLOCK =
      DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH).withZone(ZoneOffset.UTC);

  private static final int MOST = 200;
  private static final double MUCH = 1.3;
  private static final int STEP = 9;
  private static final int HEIGHT = 26;

  /**
   * A case over the runs.
   *
   * @param suite its suite; empty for all cases
   * @param title its title
   * @param address where the newest run tells it; empty if it does not
   * @param words what there is to say
   * @param width how wide its drawings are
   * @param marks one for each run
   * @param trend its times as the points of a line
   * @param last how long it took last
   */
  public record Row(
      String suite,
      String title,
      String address,
      String words,
      int width,
      List<Mark> marks,
      String trend,
      String last) {}

  /**
   * A run.
   *
   * @param when when it began
   * @param passed how many cases passed, in words
   * @param broken whether some did not, or it was cut off
   * @param took how long it took, or that it was cut off
   * @param environment its environment
   * @param seed its seed
   */
  public record RunRow(
      String when, String passed, boolean broken, String took, String environment, String seed) {}

  /**
   * How it went in a run.
   *
   * @param x where the mark stands
   * @param y its upper edge
   * @param height how high it is: the worse, the higher
   * @param kind its class for the stylesheet
   * @param words the run and the outcome
   */
  public record Mark(int x, int y, int height, String kind, String words) {}

  static HistoryView of(RunHistory history, Function<String, String> address) {
    List<CaseHistory> troubled = history.cases().stream()
        .filter(line -> line.troubles() > 0)
        .sorted(Comparator.comparingInt(CaseHistory::troubles).reversed())
        .limit(MOST)
        .toList();
    List<CaseHistory> slower = history.cases().stream()
        .filter(line -> line.slowdown() >= MUCH)
        .sorted(Comparator.comparingDouble(CaseHistory::slowdown).reversed())
        .limit(MOST)
        .toList();
    long calm = history.cases().stream()
        .filter(line -> line.troubles() == 0 && line.slowdown() < MUCH)
        .count();
    int runs = history.runs().size();
    return new HistoryView(
        Amounts.of(runs, "run"),
        runs == 0
            ? ""
            : span(
                history.runs().get(0).started().startedAt(),
                history.runs().get(runs - 1).started().startedAt()),
        runs == 0 ? List.of() : List.of(whole(history.runs())),
        runs(history.runs()),
        troubled.stream().map(line -> row(line, history, words(line), address)).toList(),
        slower.stream()
            .map(line -> row(line, history, slowWords(line), address))
            .toList(),
        Amounts.of(calm, "other case") + " passed in every run and " + (calm == 1 ? "is" : "are")
            + " as fast as before",
        history.problems());
  }

  private static String span(Instant first, Instant last) {
    String day = DAY.format(first);
    String end = day.equals(DAY.format(last)) ? CLOCK.format(last) : WHEN.format(last);
    return first.equals(last)
        ? WHEN.format(first) + " UTC"
        : WHEN.format(first) + " to " + end + " UTC";
  }

  private static Row whole(List<PastRun> runs) {
    List<Mark> marks = new ArrayList<>();
    List<@Nullable Long> times = new ArrayList<>();
    for (PastRun run : runs) {
      String words = WHEN.format(run.started().startedAt()) + ": " + passed(run);
      marks.add(mark(marks.size(), isBroken(run) ? "broken" : "", words));
      times.add(run.isWhole() ? run.tookMicros() : null);
    }
    long passed = runs.stream().filter(run -> !isBroken(run)).count();
    return new Row(
        "",
        "all cases",
        "",
        "passed as a whole in " + passed + " of " + Amounts.of(runs.size(), "run"),
        runs.size() * STEP,
        marks,
        trend(times),
        took(runs.get(runs.size() - 1)));
  }

  private static List<RunRow> runs(List<PastRun> runs) {
    List<RunRow> rows = new ArrayList<>();
    for (PastRun run : runs) {
      rows.add(new RunRow(
          WHEN.format(run.started().startedAt()),
          passed(run),
          isBroken(run),
          took(run),
          run.started().environment(),
          run.started().seed()));
    }
    Collections.reverse(rows);
    return rows;
  }

  private static boolean isBroken(PastRun run) {
    return run.broken() > 0 || !run.isWhole();
  }

  private static String passed(PastRun run) {
    return run.passed() + " of " + Amounts.of(run.cases(), "case") + " passed";
  }

  private static String took(PastRun run) {
    return run.isWhole() ? Amounts.time(run.tookMicros()) : "cut off";
  }

  private static String words(CaseHistory line) {
    int flaky = line.troubles() - line.broken();
    List<String> often = new ArrayList<>();
    if (line.broken() > 0) {
      often.add("failed in " + line.broken());
    }
    if (flaky > 0) {
      often.add("only at a later try in " + flaky);
    }
    return (line.unstable() ? "unstable: " : "") + String.join(", ", often) + " of "
        + Amounts.of(line.times(), "run");
  }

  private static String slowWords(CaseHistory line) {
    return String.format(Locale.ROOT, "%.1f times as long as before", line.slowdown());
  }

  private static Row row(
      CaseHistory line, RunHistory history, String words, Function<String, String> address) {
    List<Mark> marks = new ArrayList<>();
    List<@Nullable Long> times = new ArrayList<>();
    String last = "";
    for (int i = 0; i < line.went().size(); i++) {
      CaseHistory.@Nullable Went went = line.went().get(i);
      times.add(went == null ? null : went.micros());
      if (went != null) {
        String kind = !went.outcome().isGreen() ? "broken" : went.flaky() ? "flaky" : "";
        String when = WHEN.format(history.runs().get(i).started().startedAt());
        marks.add(
            mark(i, kind, when + ": " + (went.flaky() ? "flaky" : went.outcome().word())));
        last = Amounts.time(went.micros());
      }
    }
    return new Row(
        line.suite(),
        line.title(),
        address.apply(line.id()),
        words,
        Math.max(1, line.went().size()) * STEP,
        marks,
        trend(times),
        last);
  }

  /** The worse it went, the higher the mark. */
  private static Mark mark(int number, String kind, String words) {
    int height = kind.equals("broken") ? HEIGHT - 6 : kind.equals("flaky") ? 12 : 4;
    return new Mark(number * STEP, HEIGHT - 3 - height, height, ("went " + kind).strip(), words);
  }

  private static String trend(List<@Nullable Long> times) {
    long most = 1;
    for (Long time : times) {
      most = time == null ? most : Math.max(most, time);
    }
    StringBuilder points = new StringBuilder();
    for (int i = 0; i < times.size(); i++) {
      Long time = times.get(i);
      if (time != null) {
        points.append(String.format(
            Locale.ROOT,
            "%d,%.1f ",
            i * STEP + STEP / 2,
            HEIGHT - 3 - time * (HEIGHT - 6.0) / most));
      }
    }
    return points.toString().trim();
  }
}
