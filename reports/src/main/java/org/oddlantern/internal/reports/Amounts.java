package org.oddlantern.internal.reports;

import java.time.Duration;
import org.oddlantern.internal.record.Counts;

/** How numbers and times are told to people. */
public final class Amounts {

  private Amounts() {}

  /**
   * A count with its noun.
   *
   * @param count the count
   * @param noun the noun for one
   * @return {@code 1 case}, {@code 2 cases}, {@code 50,000 cases}
   */
  public static String of(long count, String noun) {
    return Counts.grouped(count) + " " + noun + (count == 1 ? "" : "s");
  }

  /**
   * A time short enough for a column.
   *
   * @param micros microseconds
   * @return {@code 12 ms}, {@code 3.4 s}, {@code 2 min 5 s}
   */
  public static String time(long micros) {
    long millis = Math.round(micros / 1_000.0);
    if (millis < 1_000) {
      return millis + " ms";
    }
    if (millis < 60_000) {
      return tenths(millis, 1_000) + " s";
    }
    long seconds = Math.round(millis / 1_000.0);
    return seconds / 60 + " min " + seconds % 60 + " s";
  }

  /**
   * A time.
   *
   * @param time the time
   * @return as {@link #time(long)}
   */
  public static String time(Duration time) {
    return time(time.toNanos() / 1_000);
  }

  /**
   * A size.
   *
   * @param bytes the number of bytes
   * @return {@code 318 bytes}, {@code 12.4 KB}, {@code 3.1 MB}
   */
  public static String size(long bytes) {
    if (bytes < 10_000) {
      return of(bytes, "byte");
    }
    return bytes < 1_000_000 ? tenths(bytes, 1_000) + " KB" : tenths(bytes, 1_000_000) + " MB";
  }

  /**
   * A share with one decimal place, rounded half up; a page has thousands, and a formatter is slow.
   *
   * @param amount what there is, not below 0
   * @param unit what counts as one
   * @return {@code 12.4}
   */
  public static String tenths(long amount, long unit) {
    long tenths = (amount * 10 + unit / 2) / unit;
    return tenths / 10 + "." + tenths % 10;
  }
}
