package org.oddlantern.check;

import java.math.BigDecimal;
import org.oddlantern.json.internal.Decimals;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Tells numbers without a fraction, whatever their writing. */
final class WholeNumbers {

  private WholeNumbers() {}

  static boolean isWhole(JsonNode node) {
    return node.isIntegralNumber() || node.isNumber() && isWhole(Decimals.of(node));
  }

  private static boolean isWhole(BigDecimal number) {
    return number.signum() == 0 || number.stripTrailingZeros().scale() <= 0;
  }
}
