package org.oddlantern.json.internal;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;

/** Tells a number that counts from 1970 on for the moment that it stands for. */
public final class EpochNumber {

  private static final BigDecimal THOUSAND = BigDecimal.valueOf(1_000);

  private EpochNumber() {}

  /**
   * What a number is to a moment.
   *
   * @param moment a moment as text (RFC 3339)
   * @param number what came in its stead
   * @return a hint if the number is that moment in seconds or milliseconds; else empty
   */
  public static String explained(String moment, BigDecimal number) {
    try {
      Instant instant = OffsetDateTime.parse(moment).toInstant();
      BigDecimal seconds = BigDecimal.valueOf(instant.getEpochSecond())
          .add(BigDecimal.valueOf(instant.getNano(), 9));
      if (number.compareTo(seconds) == 0) {
        return "it is that moment, in seconds since 1970";
      }
      return number.compareTo(seconds.multiply(THOUSAND)) == 0
          ? "it is that moment, in milliseconds since 1970"
          : "";
    } catch (DateTimeException e) {
      return ""; // then it is no moment
    }
  }

  /**
   * The moment that a number may stand for.
   *
   * @param number a number
   * @return the moment, by seconds or milliseconds, if it lies between 2001 and 2099; else empty
   */
  public static Optional<Instant> moment(BigDecimal number) {
    if (number.compareTo(BigDecimal.valueOf(1_000_000_000L)) >= 0
        && number.compareTo(BigDecimal.valueOf(4_100_000_000L)) < 0) {
      return Optional.of(Instant.ofEpochSecond(number.longValue()));
    }
    return number.compareTo(BigDecimal.valueOf(1_000_000_000_000L)) >= 0
            && number.compareTo(BigDecimal.valueOf(4_100_000_000_000L)) < 0
        ? Optional.of(Instant.ofEpochMilli(number.longValue()))
        : Optional.empty();
  }
}
