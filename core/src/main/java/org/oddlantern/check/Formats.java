package org.oddlantern.check;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Locale;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/** Tells texts that are written by a standard's rules. */
final class Formats {

  private static final Pattern DATE = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");
  private static final Pattern DATE_TIME = Pattern.compile(
      "\\d{4}-\\d{2}-\\d{2}[Tt ]\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,40})?([Zz]|[+-]\\d{2}:\\d{2})");
  private static final Pattern UUID =
      Pattern.compile("[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}");
  private static final Pattern EMAIL =
      Pattern.compile("[^\\s@]{1,64}@[^\\s@.]{1,63}(\\.[^\\s@.]{1,63})+");

  private Formats() {}

  static boolean isDate(JsonNode node) {
    return node.isString()
        && DATE.matcher(node.stringValue()).matches()
        && parses(node.stringValue(), "");
  }

  static boolean isDateTime(JsonNode node) {
    if (!node.isString() || !DATE_TIME.matcher(node.stringValue()).matches()) {
      return false;
    }
    String text = node.stringValue();
    String time = text.substring(11)
        .replaceFirst("\\.\\d+", "")
        .replaceFirst("^(\\d{2}:\\d{2}):60", "$1:59"); // a leap second is one
    return parses(text.substring(0, 10), time.toUpperCase(Locale.ROOT));
  }

  static boolean isUuid(JsonNode node) {
    return node.isString() && UUID.matcher(node.stringValue()).matches();
  }

  static boolean isEmail(JsonNode node) {
    return node.isString() && EMAIL.matcher(node.stringValue()).matches();
  }

  private static boolean parses(String date, String time) {
    try {
      LocalDate day = LocalDate.parse(date);
      return time.isEmpty() || OffsetDateTime.parse(day + "T" + time).getYear() == day.getYear();
    } catch (DateTimeException e) {
      return false;
    }
  }
}
