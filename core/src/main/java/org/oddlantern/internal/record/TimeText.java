package org.oddlantern.internal.record;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;

/** Writes times of day as ISO 8601 in UTC, to the microsecond; those of one second share their beginning. */
public final class TimeText {

  private static final int MICROS = 1_000_000;
  private static final String LAYOUT = "0000-00-00T00:00:00.000000Z";

  private long second = Long.MIN_VALUE;
  private String beginning = "";

  /**
   * The moment that a text means, as it is written here or otherwise by ISO 8601.
   *
   * @throws java.time.DateTimeException if it is none
   */
  public static Instant instant(String text) {
    if (text.length() != LAYOUT.length()) {
      return Instant.parse(text);
    }
    for (int i = 0; i < LAYOUT.length(); i++) {
      char wanted = LAYOUT.charAt(i);
      char letter = text.charAt(i);
      if (wanted == '0' ? letter < '0' || letter > '9' : letter != wanted) {
        return Instant.parse(text);
      }
    }
    // a formatter takes many times as long, and a journal has two of them for each call
    int hour = number(text, 11, 13);
    int minute = number(text, 14, 16);
    int second = number(text, 17, 19);
    if (hour > 23 || minute > 59 || second > 59) {
      return Instant.parse(text);
    }
    LocalDate day = LocalDate.of(number(text, 0, 4), number(text, 5, 7), number(text, 8, 10));
    return Instant.ofEpochSecond(
        day.toEpochDay() * 86_400 + hour * 3_600L + minute * 60L + second,
        number(text, 20, 26) * 1_000L);
  }

  private static int number(String text, int begin, int end) {
    int number = 0;
    for (int i = begin; i < end; i++) {
      number = 10 * number + text.charAt(i) - '0';
    }
    return number;
  }

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
