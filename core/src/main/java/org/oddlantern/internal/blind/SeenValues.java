package org.oddlantern.internal.blind;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Plain values that one case has seen at the same place of answers to the same operation. */
final class SeenValues {

  private static final int FEW = 20;

  private final Map<String, Set<JsonNode>> values = new HashMap<>();

  /** Notes the values of a tree. */
  void add(JsonNode root) {
    add(root, "$");
  }

  private void add(JsonNode value, String place) {
    if (value.isObject()) {
      for (String name : value.propertyNames()) {
        add(value.path(name), place + Location.ROOT.child(name).toString().substring(1));
      }
    } else if (value.isArray()) {
      value.forEach(item -> add(item, place + "[*]"));
    } else {
      Set<JsonNode> some = values.computeIfAbsent(place, any -> new LinkedHashSet<>());
      if (some.size() < FEW) {
        some.add(value);
      }
    }
  }

  /** Another value of the same kind; null if none was seen. */
  @Nullable
  JsonNode other(String place, JsonNode value) {
    for (JsonNode one : values.getOrDefault(place, Set.of())) {
      if (one.getNodeType() == value.getNodeType() && !one.equals(value)) {
        return one;
      }
    }
    return null;
  }
}
