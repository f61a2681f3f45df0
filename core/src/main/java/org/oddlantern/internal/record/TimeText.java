package org.oddlantern.internal.record;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;

/** Writes times of day as ISO 8601 in UTC, to the microsecond; those of one second share their beginning. */
public final class TimeText {

  private static final int MICROS = 1_000_000;

  private long second = Long.MIN_VALUE;
  private String beginning = "";

  /** A moment as RFC 3339 writes it, with microseconds, in UTC. */
  public String text(Instant time) {
    if (time.getEpochSecond() != second) {
      second = time.getEpochSecond();
      int inMinute = Math.floorMod(second, 60);
      // its own words leave out a second of zero, and a formatter is slow to start
      String minute =
          LocalDateTime.ofEpochSecond(second - inMinute, 0, ZoneOffset.UTC).toString();
      beginning = minute + ':' + Integer.toString(100 + inMinute).substring(1);
    }
    String micros = Integer.toString(MICROS + time.getNano() / 1_000);
    return beginning + '.' + micros.substring(1) + 'Z';
  }
}
