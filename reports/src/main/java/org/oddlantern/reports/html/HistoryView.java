package org.oddlantern.reports.html;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.reports.Amounts;
import org.oddlantern.reports.RunHistory;

/**
 * The page of earlier runs.
 *
 * @param title how many runs, in words
 * @param span from when to when
 * @param troubled cases that were broken or flaky in some run, the worst first
 * @param slower cases that have grown slower, the worst first
 * @param calm how many others there are, in words
 * @param problems journals that could not be read
 */
public record HistoryView(
    String title,
    String span,
    List<Row> troubled,
    List<Row> slower,
    String calm,
    List<String> problems) {

  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.ENGLISH).withZone(ZoneOffset.UTC);

  private static final int MOST = 200;
  private static final double MUCH = 1.3;
  private static final int STEP = 9;
  private static final int HEIGHT = 26;

  /**
   * A case over the runs.
   *
   * @param suite its suite
   * @param title its title
   * @param words what there is to say
   * @param width how wide its drawings are
   * @param marks one for each run
   * @param trend its times as the points of a line
   * @param last how long it took last
   */
  public record Row(
      String suite,
      String title,
      String words,
      int width,
      List<Mark> marks,
      String trend,
      String last) {}

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

  static HistoryView of(RunHistory history) {
    List<RunHistory.Line> troubled = history.cases().stream()
        .filter(line -> line.troubles() > 0)
        .sorted(Comparator.comparingInt(RunHistory.Line::troubles).reversed())
        .limit(MOST)
        .toList();
    List<RunHistory.Line> slower = history.cases().stream()
        .filter(line -> line.slowdown() >= MUCH)
        .sorted(Comparator.comparingDouble(RunHistory.Line::slowdown).reversed())
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
            : WHEN.format(history.runs().get(0).startedAt()) + " to "
                + WHEN.format(history.runs().get(runs - 1).startedAt()) + " UTC",
        troubled.stream().map(line -> row(line, history, words(line))).toList(),
        slower.stream().map(line -> row(line, history, slowWords(line))).toList(),
        Amounts.of(calm, "other case") + " held in every run and " + (calm == 1 ? "is" : "are")
            + " as fast as before",
        history.problems());
  }

  private static String words(RunHistory.Line line) {
    String often = "not well in " + line.troubles() + " of " + Amounts.of(line.times(), "run");
    return line.unstable() ? "unstable: " + often : often;
  }

  private static String slowWords(RunHistory.Line line) {
    return String.format(Locale.ROOT, "%.1f times as long as before", line.slowdown());
  }

  private static Row row(RunHistory.Line line, RunHistory history, String words) {
    List<Mark> marks = new ArrayList<>();
    long most = 1;
    String last = "";
    for (int i = 0; i < line.went().size(); i++) {
      RunHistory.@Nullable Went went = line.went().get(i);
      if (went != null) {
        marks.add(mark(went, i, WHEN.format(history.runs().get(i).startedAt())));
        most = Math.max(most, went.micros());
        last = Amounts.time(went.micros());
      }
    }
    return new Row(
        line.suite(),
        line.title(),
        words,
        Math.max(1, line.went().size()) * STEP,
        marks,
        trend(line, most),
        last);
  }

  private static Mark mark(RunHistory.Went went, int number, String when) {
    int height = !went.outcome().isGreen() ? HEIGHT - 6 : went.flaky() ? 12 : 4;
    String kind = !went.outcome().isGreen() ? "went broken" : went.flaky() ? "went flaky" : "went";
    return new Mark(
        number * STEP,
        HEIGHT - 3 - height,
        height,
        kind,
        when + ": " + (went.flaky() ? "flaky" : went.outcome().word()));
  }

  private static String trend(RunHistory.Line line, long most) {
    StringBuilder points = new StringBuilder();
    for (int i = 0; i < line.went().size(); i++) {
      RunHistory.@Nullable Went went = line.went().get(i);
      if (went != null) {
        points.append(String.format(
            Locale.ROOT,
            "%d,%.1f ",
            i * STEP + STEP / 2,
            HEIGHT - 3 - went.micros() * (HEIGHT - 6.0) / most));
      }
    }
    return points.toString().trim();
  }
}
