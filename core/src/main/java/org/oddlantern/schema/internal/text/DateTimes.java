package org.oddlantern.schema.internal.text;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Dates and times as RFC 3339 writes them (section 5.6), durations as its appendix A does. */
public final class DateTimes {

  private static final int DATE_LENGTH = 10;
  private static final int MINUTES_OF_DAY = 24 * 60;

  private static final Pattern TIME = Pattern.compile(
      "([0-9]{2}):([0-9]{2}):([0-9]{2})(\\.[0-9]+)?([Zz]|([+-])([0-9]{2}):([0-9]{2}))");

  private static final Pattern DURATION = Pattern.compile("P(?!$)([0-9]+W|"
      + "([0-9]+Y([0-9]+M([0-9]+D)?)?|[0-9]+M([0-9]+D)?|[0-9]+D)?"
      + "(T(?=[0-9])([0-9]+H([0-9]+M([0-9]+S)?)?|[0-9]+M([0-9]+S)?|[0-9]+S))?)");

  private DateTimes() {}

  /** Whether a text is a full-date that exists. */
  public static boolean isDate(String text) {
    if (text.length() != DATE_LENGTH || text.charAt(4) != '-' || text.charAt(7) != '-') {
      return false;
    }
    int year = number(text, 0, 4);
    int month = number(text, 5, 7);
    int day = number(text, 8, 10);
    try {
      return year >= 0 && month > 0 && day > 0 && LocalDate.of(year, month, day) != null;
    } catch (DateTimeException e) {
      return false;
    }
  }

  /** The number that ASCII digits write; below 0 if something else stands there. */
  private static int number(String text, int from, int to) {
    int number = 0;
    for (int i = from; i < to; i++) {
      char c = text.charAt(i);
      if (c < '0' || c > '9') {
        return -1;
      }
      number = number * 10 + c - '0';
    }
    return number;
  }

  /** Whether a text is a date-time with an offset. */
  public static boolean isDateTime(String text) {
    return text.length() > DATE_LENGTH
        && (text.charAt(DATE_LENGTH) == 'T' || text.charAt(DATE_LENGTH) == 't')
        && isDate(text.substring(0, DATE_LENGTH))
        && isTime(text.substring(DATE_LENGTH + 1));
  }

  /** Whether a text is a full-time; a leap second only where one can be. */
  public static boolean isTime(String text) {
    Matcher time = TIME.matcher(text);
    if (!time.matches()) {
      return false;
    }
    int hour = Integer.parseInt(time.group(1));
    int minute = Integer.parseInt(time.group(2));
    int second = Integer.parseInt(time.group(3));
    int offset = 0;
    if (time.group(6) != null) {
      int hours = Integer.parseInt(time.group(7));
      int minutes = Integer.parseInt(time.group(8));
      if (hours > 23 || minutes > 59) {
        return false;
      }
      offset = (hours * 60 + minutes) * (time.group(6).equals("-") ? -1 : 1);
    }
    int utc = Math.floorMod(hour * 60 + minute - offset, MINUTES_OF_DAY);
    return hour < 24 && minute < 60 && (second < 60 || second == 60 && utc == MINUTES_OF_DAY - 1);
  }

  /** Whether a text is a duration. */
  public static boolean isDuration(String text) {
    return DURATION.matcher(text).matches();
  }
}
