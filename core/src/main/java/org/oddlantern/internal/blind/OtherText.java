package org.oddlantern.internal.blind;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Another text that looks like one: a letter or digit is exchanged within its alphabet and format. */
final class OtherText {

  private static final Pattern DATE =
      Pattern.compile("(\\d{4}-\\d{2}-\\d{2})(?![\\d-]).*", Pattern.DOTALL);
  /** What may be hexadecimal, with whatever stands between its digits, is changed as if it were. */
  private static final Pattern HEX = Pattern.compile("[^g-zG-Z]*");

  private static final Pattern EMAIL = Pattern.compile("[^@\\s]+@[^@\\s]+");

  private OtherText() {}

  static String of(String text) {
    if (text.isEmpty()) {
      return "x";
    }
    Matcher date = DATE.matcher(text);
    if (date.matches()) {
      return otherDay(text, date.group(1));
    }
    boolean hex = HEX.matcher(text).matches();
    int last = EMAIL.matcher(text).matches() ? text.indexOf('@') - 1 : text.length() - 1;
    for (int at = last; at >= 0; at--) {
      char other = other(text.charAt(at), hex);
      if (other != text.charAt(at)) {
        return text.substring(0, at) + other + text.substring(at + 1);
      }
    }
    return text + "x";
  }

  /** A day more or less is a day, whatever the month. */
  private static String otherDay(String text, String date) {
    try {
      return LocalDate.parse(date).plusDays(1) + text.substring(date.length());
    } catch (DateTimeException e) {
      return text.substring(0, date.length() - 1)
          + other(date.charAt(date.length() - 1), false)
          + text.substring(date.length());
    }
  }

  /** The next of its alphabet; itself if it is of none. */
  private static char other(char one, boolean hex) {
    if (one >= '0' && one <= '9') {
      return one == '9' ? '8' : (char) (one + 1);
    }
    if (one >= 'a' && one <= 'z') {
      return one == (hex ? 'f' : 'z') ? (char) (one - 1) : (char) (one + 1);
    }
    if (one >= 'A' && one <= 'Z') {
      return one == (hex ? 'F' : 'Z') ? (char) (one - 1) : (char) (one + 1);
    }
    return one;
  }
}
