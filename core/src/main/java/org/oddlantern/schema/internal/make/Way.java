package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.schema.internal.Pointers;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Where something is in a value: names of fields and numbers of items.
 *
 * @param steps the steps from the whole value
 */
public record Way(List<Object> steps) {

  static final Way ROOT = new Way(List.of());

  /** Keeps its own list. */
  public Way {
    steps = List.copyOf(steps);
  }

  Way then(Object step) {
    List<Object> longer = new ArrayList<>(steps);
    longer.add(step);
    return new Way(longer);
  }

  Way parent() {
    return new Way(steps.subList(0, Math.max(0, steps.size() - 1)));
  }

  /** Whether it is the whole value. */
  public boolean isRoot() {
    return steps.isEmpty();
  }

  /** As a JSONPath. */
  String path() {
    Location place = Location.ROOT;
    for (Object step : steps) {
      place = step instanceof Integer index ? place.child(index) : place.child(step.toString());
    }
    return place.toString();
  }

  /** As people say it: without the dollar. */
  String words() {
    String path = path();
    return path.equals("$") ? "the value" : path.replaceFirst("^\\$\\.?", "");
  }

  String pointer() {
    StringBuilder pointer = new StringBuilder();
    steps.forEach(step -> pointer.append('/').append(Pointers.escape(step.toString())));
    return pointer.toString();
  }

  /** What is there; null if nothing is. */
  @Nullable
  JsonNode in(JsonNode root) {
    JsonNode node = root;
    for (Object step : steps) {
      node = step instanceof Integer index ? node.get(index) : node.get(step.toString());
      if (node == null) {
        return null;
      }
    }
    return node;
  }

  /**
   * A copy with something else there.
   *
   * @param root the whole value
   * @param value what is to be there; null removes it
   */
  JsonNode with(JsonNode root, @Nullable JsonNode value) {
    if (isRoot()) {
      return value == null ? root : value;
    }
    JsonNode copy = root.deepCopy();
    JsonNode around = parent().in(copy);
    Object last = steps.get(steps.size() - 1);
    if (around instanceof ObjectNode object) {
      if (value == null) {
        object.remove(last.toString());
      } else {
        object.set(last.toString(), value);
      }
    } else if (around instanceof ArrayNode list && last instanceof Integer index) {
      if (value == null) {
        list.remove(index);
      } else {
        list.set(index, value);
      }
    }
    return copy;
  }
}
