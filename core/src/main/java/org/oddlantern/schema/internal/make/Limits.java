package org.oddlantern.schema.internal.make;

import java.util.List;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The closest of the limits that several schemas set. */
final class Limits {

  private static final long FAR = 1_000_000;

  private Limits() {}

  /** The largest of the least; 0 if there is none. */
  static long least(List<JsonNode> layers, String keyword) {
    return layers.stream()
        .map(layer -> layer.path(keyword))
        .filter(JsonNode::isNumber)
        .mapToLong(Limits::count)
        .max()
        .orElse(0);
  }

  /** The smallest of the most; very many if there is none. */
  static long most(List<JsonNode> layers, String keyword) {
    return layers.stream()
        .map(layer -> layer.path(keyword))
        .filter(JsonNode::isNumber)
        .mapToLong(Limits::count)
        .min()
        .orElse(FAR);
  }

  static boolean has(List<JsonNode> layers, String keyword) {
    return layers.stream().anyMatch(layer -> layer.path(keyword).isNumber());
  }

  private static long count(JsonNode limit) {
    return Math.min(FAR, Math.max(0, limit.decimalValue().longValue()));
  }
}
