package org.oddlantern.check;

import java.time.Duration;
import java.util.Locale;

/** Durations as people say them. */
final class Durations {

  private Durations() {}

  /** {@code 250 ms}, {@code 1.5 s}, {@code 3 min 20 s}, {@code 2 days}. */
  static String words(Duration duration) {
    if (duration.toMillis() < 1_000) {
      return duration.toMillis() + " ms";
    }
    if (duration.toSeconds() < 60) {
      double seconds = duration.toMillis() / 1_000.0;
      return String.format(Locale.ROOT, "%.1f", seconds).replaceAll("\\.0$", "") + " s";
    }
    StringBuilder words = new StringBuilder();
    add(words, duration.toDays(), duration.toDays() == 1 ? "day" : "days");
    add(words, duration.toHoursPart(), "h");
    add(words, duration.toMinutesPart(), "min");
    add(words, duration.toSecondsPart(), "s");
    return words.toString();
  }

  private static void add(StringBuilder words, long count, String unit) {
    if (count > 0) {
      words.append(words.isEmpty() ? "" : " ").append(count).append(' ').append(unit);
    }
  }
}
