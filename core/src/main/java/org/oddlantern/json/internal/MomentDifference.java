package org.oddlantern.json.internal;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Says how far two dates or times lie apart; as texts they are equal only if written alike. */
final class MomentDifference {

  private static final Duration FARTHEST_ZONES = Duration.ofHours(26);
  private static final int LONGEST = 40;

  private MomentDifference() {}

  static String explained(String wanted, String got) {
    if (!mayBeOne(wanted) || !mayBeOne(got)) {
      return "";
    }
    Optional<LocalDate> day = read(wanted, LocalDate::parse);
    Optional<LocalDate> otherDay = read(got, LocalDate::parse);
    if (day.isPresent() && otherDay.isPresent()) {
      return days(ChronoUnit.DAYS.between(day.get(), otherDay.get()));
    }
    Optional<OffsetDateTime> first = moment(wanted);
    Optional<OffsetDateTime> second = moment(got);
    if (first.isPresent() && second.isPresent()) {
      return distance(Duration.between(first.get(), second.get()));
    }
    return "";
  }

  private static boolean mayBeOne(String text) {
    return text.length() >= 5 && text.length() <= LONGEST && Character.isDigit(text.charAt(0));
  }

  private static String days(long days) {
    String told = amount(Math.abs(days), "day") + (days > 0 ? " later" : " earlier");
    return Math.abs(days) == 1 ? told + "; a time zone may have shifted it" : told;
  }

  private static String distance(Duration distance) {
    if (distance.isZero()) {
      return "the same moment, written in another way; near(moment, Duration.ZERO) compares moments";
    }
    Duration length = distance.abs();
    String told = told(length) + (distance.isNegative() ? " earlier" : " later");
    boolean zone = length.compareTo(FARTHEST_ZONES) <= 0
        && length.toSeconds() % 900 == 0
        && length.toNanosPart() == 0;
    if (zone && length.equals(Duration.ofHours(1))) {
      return told + "; summer time may have been mistaken";
    }
    return zone ? told + "; a time zone may have been mistaken" : told;
  }

  private static String told(Duration length) {
    List<String> parts = new ArrayList<>();
    add(parts, length.toDays(), "day");
    add(parts, length.toHoursPart(), "hour");
    add(parts, length.toMinutesPart(), "minute");
    add(parts, length.toSecondsPart(), "second");
    if (parts.isEmpty() || length.toNanosPart() > 0 && length.toDays() == 0) {
      add(parts, length.toNanosPart(), "nanosecond");
    }
    return String.join(" ", parts);
  }

  private static void add(List<String> parts, long count, String unit) {
    if (count > 0) {
      parts.add(amount(count, unit));
    }
  }

  private static String amount(long count, String unit) {
    return count + " " + unit + (count == 1 ? "" : "s");
  }

  private static Optional<OffsetDateTime> moment(String text) {
    return read(text, OffsetDateTime::parse)
        .or(() -> read(text, value -> LocalDateTime.parse(value).atOffset(ZoneOffset.UTC)))
        .or(() -> read(
            text,
            value -> LocalTime.parse(value).atDate(LocalDate.EPOCH).atOffset(ZoneOffset.UTC)));
  }

  private static <T> Optional<T> read(String text, Function<String, T> reader) {
    try {
      return Optional.of(reader.apply(text));
    } catch (DateTimeException e) {
      return Optional.empty(); // then it is something else, which is fine
    }
  }
}
