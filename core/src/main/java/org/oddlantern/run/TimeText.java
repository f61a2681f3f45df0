package org.oddlantern.run;

import java.time.Instant;

/** Writes times of day as ISO 8601 in UTC, to the microsecond; those of one second share their beginning. */
final class TimeText {

  private static final int MICROS = 1_000_000;

  private long second = Long.MIN_VALUE;
  private String beginning = "";

  String text(Instant time) {
    if (time.getEpochSecond() != second) {
      second = time.getEpochSecond();
      String whole = Instant.ofEpochSecond(second).toString();
      beginning = whole.substring(0, whole.length() - 1);
    }
    String micros = Integer.toString(MICROS + time.getNano() / 1_000);
    return beginning + '.' + micros.substring(1) + 'Z';
  }
}
