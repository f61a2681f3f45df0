package org.oddlantern.schema.internal.text;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** What may help with a date that is written in another way. */
final class DateAdvice {

  private static final List<DateTimeFormatter> OTHERS = List.of(
      formatter("d.M.uuuu"),
      formatter("uuuu/M/d"),
      formatter("uuuu-M-d"),
      formatter("uuuuMMdd"),
      formatter("uuuu.M.d"),
      formatter("d-M-uuuu"));

  private static final Pattern SLASHES = Pattern.compile("\\d{1,2}/\\d{1,2}/\\d{4}");
  private static final Pattern EPOCH = Pattern.compile("\\d{10}|\\d{13}");
  private static final Pattern NO_OFFSET =
      Pattern.compile("\\d{4}-\\d{2}-\\d{2}[Tt ]\\d{2}:\\d{2}(:\\d{2}(\\.\\d+)?)?");
  private static final Pattern BARE_OFFSET = Pattern.compile(".*[+-]\\d{2}(\\d{2})?");

  private DateAdvice() {}

  private static DateTimeFormatter formatter(String pattern) {
    return DateTimeFormatter.ofPattern(pattern).withResolverStyle(ResolverStyle.STRICT);
  }

  static String forDate(String text) {
    if (SLASHES.matcher(text).matches()) {
      return "write it as year-month-day, like 2026-05-13: with slashes it is unclear which is the day and which the month";
    }
    if (text.length() > 10 && DateTimes.isDate(text.substring(0, 10))) {
      return "the date is there with a time; the schema wants " + text.substring(0, 10);
    }
    return otherwise(text).map(date -> "write it as " + date).orElseGet(() -> impossible(text));
  }

  private static Optional<LocalDate> otherwise(String text) {
    return OTHERS.stream().flatMap(other -> parsed(text, other).stream()).findFirst();
  }

  private static Optional<LocalDate> parsed(String text, DateTimeFormatter formatter) {
    try {
      return Optional.of(LocalDate.parse(text, formatter));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private static String impossible(String text) {
    return text.matches("\\d{4}-\\d{2}-\\d{2}") ? "there is no such day" : "";
  }

  static String forMoment(String text) {
    if (EPOCH.matcher(text).matches()) {
      long number = Long.parseLong(text);
      Instant moment =
          text.length() == 10 ? Instant.ofEpochSecond(number) : Instant.ofEpochMilli(number);
      return "if it counts from 1970, write it as " + moment;
    }
    if (DateTimes.isDate(text)) {
      return "the time is missing, like " + text + "T08:30:00Z";
    }
    if (NO_OFFSET.matcher(text).matches()) {
      return "the offset from UTC is missing: Z, or one like +02:00"
          + (text.charAt(10) == ' ' ? "; and a T between date and time" : "");
    }
    if (text.length() > 10 && text.charAt(10) == ' ') {
      return "a T is missing between date and time";
    }
    return BARE_OFFSET.matcher(text).matches()
        ? "an offset is written with a colon, like +02:00"
        : otherwise(text).map(date -> "write it as " + date + "T08:30:00Z").orElse("");
  }

  static String forTime(String text) {
    return text.matches("\\d{2}:\\d{2}(:\\d{2}(\\.\\d+)?)?")
        ? "the "
            + (text.length() == 5 ? "seconds and the offset from UTC are" : "offset from UTC is")
            + " missing, like 08:30:00Z"
        : "";
  }
}
