package org.oddlantern.json.internal;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.oddlantern.json.Finding;

/** Says how far two numbers lie apart, and what may have happened on the way from one to the other. */
final class NumberDifference {

  private static final int LONGEST = 1_000;
  private static final int MOST_ZEROS = 9;

  private NumberDifference() {}

  static Finding explained(Finding finding, BigDecimal wanted, BigDecimal got) {
    if (Math.abs((long) wanted.scale()) > LONGEST || Math.abs((long) got.scale()) > LONGEST) {
      return finding;
    }
    return finding.hint(distance(wanted, got)).hint(reason(wanted, got)).hint(hours(wanted, got));
  }

  private static String distance(BigDecimal wanted, BigDecimal got) {
    BigDecimal distance = got.subtract(wanted);
    return distance.abs().stripTrailingZeros().toPlainString()
        + (distance.signum() > 0 ? " too much" : " too little");
  }

  /** Two counts from 1970 on that lie whole hours apart. */
  private static String hours(BigDecimal wanted, BigDecimal got) {
    Optional<Instant> first = EpochNumber.moment(wanted);
    Optional<Instant> second = EpochNumber.moment(got);
    if (first.isEmpty() || second.isEmpty()) {
      return "";
    }
    Duration distance = Duration.between(first.get(), second.get());
    long hours = distance.abs().toHours();
    boolean whole = hours >= 1 && hours <= 26 && distance.toMillis() % 3_600_000 == 0;
    return whole
        ? "as moments they are "
            + (hours == 1 ? "an hour apart: summer time" : hours + " hours apart: a time zone")
            + " may have been mistaken"
        : "";
  }

  private static String reason(BigDecimal wanted, BigDecimal got) {
    if (wanted.signum() != 0 && wanted.negate().compareTo(got) == 0) {
      return "only the sign differs";
    }
    if (isWhatRemains(wanted.doubleValue(), got)) {
      return "precision lost: it is what a double makes of the number wanted";
    }
    if (isWhatRemains(wanted.floatValue(), got)) {
      return "precision lost: it is what a float makes of the number wanted";
    }
    if (wanted.signum() != 0 && wanted.setScale(0, RoundingMode.DOWN).compareTo(got) == 0) {
      return "the fraction is cut off";
    }
    return factor(wanted, got);
  }

  private static boolean isWhatRemains(double rounded, BigDecimal got) {
    return !Double.isInfinite(rounded)
        && (new BigDecimal(rounded).compareTo(got) == 0
            || new BigDecimal(Double.toString(rounded)).compareTo(got) == 0);
  }

  private static boolean isWhatRemains(float rounded, BigDecimal got) {
    return !Float.isInfinite(rounded)
        && (new BigDecimal(rounded).compareTo(got) == 0
            || new BigDecimal(Float.toString(rounded)).compareTo(got) == 0);
  }

  private static String factor(BigDecimal wanted, BigDecimal got) {
    for (int zeros = 1; zeros <= MOST_ZEROS; zeros++) {
      String factor = BigDecimal.TEN.pow(zeros).toPlainString();
      if (wanted.signum() != 0 && wanted.movePointRight(zeros).compareTo(got) == 0) {
        return "it is " + factor + " times the number wanted";
      }
      if (wanted.signum() != 0 && wanted.movePointLeft(zeros).compareTo(got) == 0) {
        return "the number wanted is " + factor + " times it";
      }
    }
    return "";
  }
}
