package org.oddlantern.check;

import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Decimals;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A number between two others, both included; null leaves a side open. */
record RangeShape(
    String words, @Nullable BigDecimal low, @Nullable BigDecimal high) implements NodeShape {

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (!value.isNumber()) {
      return List.of(Finding.of(where, words, Words.withKind(value)));
    }
    BigDecimal number = Decimals.of(value);
    if (low != null && number.compareTo(low) < 0) {
      return List.of(
          Finding.of(where, words, Words.of(value)).hint(distance(low, number) + " too little"));
    }
    if (high != null && number.compareTo(high) > 0) {
      return List.of(
          Finding.of(where, words, Words.of(value)).hint(distance(number, high) + " too much"));
    }
    return List.of();
  }

  private static String distance(BigDecimal a, BigDecimal b) {
    boolean huge = Math.abs((long) a.scale()) > 100 || Math.abs((long) b.scale()) > 100;
    return huge ? "much" : a.subtract(b).abs().stripTrailingZeros().toPlainString();
  }
}
