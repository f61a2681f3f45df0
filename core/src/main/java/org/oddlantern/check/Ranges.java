package org.oddlantern.check;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.temporal.Temporal;
import java.util.Optional;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;

/** Makes the shapes of numbers and moments within bounds, and refuses bounds that are none. */
final class Ranges {

  private Ranges() {}

  static Shape between(Object low, Object high) {
    if (low instanceof Number first && high instanceof Number second) {
      BigDecimal least = decimal(first);
      BigDecimal most = decimal(second);
      if (least.compareTo(most) > 0) {
        throw reversed(low, high);
      }
      return new RangeShape("a number between " + low + " and " + high, least, most);
    }
    Optional<MomentShape.Kind> kind = MomentShape.Kind.of(low);
    if (kind.isEmpty() || !kind.equals(MomentShape.Kind.of(high))) {
      throw new IllegalArgumentException(
          "between(%s, %s): two numbers, two dates or two moments are wanted".formatted(low, high));
    }
    OffsetDateTime first = moment(kind.get(), low);
    OffsetDateTime last = moment(kind.get(), high);
    if (first.isAfter(last)) {
      throw reversed(low, high);
    }
    return new MomentShape(
        name(kind.get()) + " between " + low + " and " + high, first, last, kind.get());
  }

  static Shape near(Number number, Number tolerance) {
    BigDecimal distance = decimal(tolerance);
    if (distance.signum() < 0) {
      throw new IllegalArgumentException("near(..., " + tolerance + "): a tolerance is at least 0");
    }
    BigDecimal middle = decimal(number);
    return new RangeShape(
        "a number within " + tolerance + " of " + number,
        middle.subtract(distance),
        middle.add(distance));
  }

  static Shape near(Temporal moment, Duration tolerance) {
    if (tolerance.isNegative()) {
      throw new IllegalArgumentException("near(..., " + tolerance + "): a tolerance is at least 0");
    }
    MomentShape.Kind kind = MomentShape.Kind.of(moment)
        .orElseThrow(() -> new IllegalArgumentException("near(" + moment
            + ", ...): a LocalDate, LocalDateTime, Instant or OffsetDateTime is wanted, not a "
            + moment.getClass().getSimpleName()));
    OffsetDateTime middle = moment(kind, moment);
    String words = tolerance.isZero()
        ? name(kind) + " that is the same as " + moment
        : name(kind) + " within " + Durations.words(tolerance) + " of " + moment;
    return new MomentShape(words, middle.minus(tolerance), middle.plus(tolerance), kind);
  }

  static BigDecimal decimal(Number number) {
    if (number instanceof BigDecimal decimal) {
      return decimal;
    }
    if (number instanceof BigInteger whole) {
      return new BigDecimal(whole);
    }
    try {
      return new BigDecimal(number.toString());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(number + " is no number that JSON has", e);
    }
  }

  private static OffsetDateTime moment(MomentShape.Kind kind, Object value) {
    return kind.parse(JsonMapping.standard().tree(value).stringValue());
  }

  private static String name(MomentShape.Kind kind) {
    return switch (kind) {
      case DATE -> "a date";
      case LOCAL -> "a date and time";
      case MOMENT -> "a moment";
    };
  }

  private static IllegalArgumentException reversed(Object low, Object high) {
    return new IllegalArgumentException(
        "between(%s, %s): the lower bound comes first".formatted(low, high));
  }
}
