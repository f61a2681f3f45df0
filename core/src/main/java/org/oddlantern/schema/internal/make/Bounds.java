package org.oddlantern.schema.internal.make;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Between which numbers a number lies, by all schemas that speak of it.
 *
 * @param least the least; null if there is none
 * @param leastOut whether the least itself is too small
 * @param most the most; null if there is none
 * @param mostOut whether the most itself is too large
 * @param unit what it is a multiple of; null if of nothing
 */
record Bounds(
    @Nullable BigDecimal least,
    boolean leastOut,
    @Nullable BigDecimal most,
    boolean mostOut,
    @Nullable BigDecimal unit) {

  static Bounds of(List<JsonNode> layers) {
    Bounds bounds = new Bounds(null, false, null, false, null);
    for (JsonNode layer : layers) {
      bounds = bounds.and(layer);
    }
    return bounds;
  }

  private Bounds and(JsonNode layer) {
    Bounds all = this;
    if (layer.path("minimum").isNumber()) {
      boolean out = layer.path("exclusiveMinimum").asBoolean(false);
      all = all.from(layer.path("minimum").decimalValue(), out);
    }
    if (layer.path("exclusiveMinimum").isNumber()) {
      all = all.from(layer.path("exclusiveMinimum").decimalValue(), true);
    }
    if (layer.path("maximum").isNumber()) {
      boolean out = layer.path("exclusiveMaximum").asBoolean(false);
      all = all.upTo(layer.path("maximum").decimalValue(), out);
    }
    if (layer.path("exclusiveMaximum").isNumber()) {
      all = all.upTo(layer.path("exclusiveMaximum").decimalValue(), true);
    }
    if (layer.path("multipleOf").isNumber()) {
      all = new Bounds(
          all.least,
          all.leastOut,
          all.most,
          all.mostOut,
          layer.path("multipleOf").decimalValue());
    }
    return all;
  }

  private Bounds from(BigDecimal other, boolean out) {
    boolean closer =
        least == null || other.compareTo(least) > 0 || other.compareTo(least) == 0 && out;
    return closer ? new Bounds(other, out, most, mostOut, unit) : this;
  }

  private Bounds upTo(BigDecimal other, boolean out) {
    boolean closer = most == null || other.compareTo(most) < 0 || other.compareTo(most) == 0 && out;
    return closer ? new Bounds(least, leastOut, other, out, unit) : this;
  }

  /** The step from one number to the next. */
  BigDecimal step(boolean whole) {
    BigDecimal own = unit;
    if (own == null) {
      return whole ? BigDecimal.ONE : new BigDecimal("0.5");
    }
    return whole && own.remainder(BigDecimal.ONE).signum() != 0
        ? own.multiply(BigDecimal.TEN.pow(Math.max(0, own.stripTrailingZeros().scale())))
        : own;
  }

  /** The smallest number that fits. */
  @Nullable
  BigDecimal smallest(boolean whole) {
    BigDecimal bound = least;
    if (bound == null) {
      return null;
    }
    BigDecimal step = step(whole);
    boolean stepped = whole || unit != null;
    BigDecimal first = stepped ? bound.divide(step, 0, RoundingMode.CEILING).multiply(step) : bound;
    return leastOut && first.compareTo(bound) == 0 ? first.add(step) : first;
  }

  /** The largest number that fits. */
  @Nullable
  BigDecimal largest(boolean whole) {
    BigDecimal bound = most;
    if (bound == null) {
      return null;
    }
    BigDecimal step = step(whole);
    boolean stepped = whole || unit != null;
    BigDecimal last = stepped ? bound.divide(step, 0, RoundingMode.FLOOR).multiply(step) : bound;
    return mostOut && last.compareTo(bound) == 0 ? last.subtract(step) : last;
  }
}
