package org.oddlantern.schema.internal;

import java.math.BigDecimal;
import java.math.BigInteger;
import org.oddlantern.json.internal.Decimals;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Arithmetic by value, exact, whose cost does not grow with exponents. */
final class Numbers {

  private Numbers() {}

  /** Whether a number has no fraction, however it is written. */
  static boolean isWhole(JsonNode value) {
    if (value.isIntegralNumber()) {
      return true;
    }
    BigDecimal number = Decimals.of(value);
    return number.scale() <= 0
        || number.signum() == 0
        || number.stripTrailingZeros().scale() <= 0;
  }

  /** Whether one number is a whole multiple of another, which is above 0. */
  static boolean isMultiple(BigDecimal number, BigDecimal of) {
    if (number.signum() == 0) {
      return true;
    }
    BigDecimal value = number.stripTrailingZeros();
    BigDecimal unit = of.stripTrailingZeros();
    long shift = (long) unit.scale() - value.scale();
    if (shift < 0) {
      return false; // the value has more decimals than any multiple of the unit
    }
    BigInteger divisor = unit.unscaledValue();
    BigInteger power = BigInteger.TEN.modPow(BigInteger.valueOf(shift), divisor);
    return value.unscaledValue().multiply(power).mod(divisor).signum() == 0;
  }
}
