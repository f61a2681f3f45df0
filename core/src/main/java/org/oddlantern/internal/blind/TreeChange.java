package org.oddlantern.internal.blind;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Makes copies of a tree that differ at one place.
 *
 * @param root the tree, which stays as it is
 */
record TreeChange(JsonNode root) {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  /** The tree with something else at a place. */
  JsonNode with(Location place, UnaryOperator<JsonNode> other) {
    List<Location> steps = place.steps();
    if (steps.isEmpty()) {
      return other.apply(root);
    }
    JsonNode copy = root.deepCopy();
    JsonNode parent = copy;
    for (Location step : steps.subList(0, steps.size() - 1)) {
      parent = child(parent, step);
    }
    Location last = steps.get(steps.size() - 1);
    JsonNode changed = other.apply(child(parent, last));
    if (parent instanceof ArrayNode list) {
      list.set(last.index(), changed);
    } else if (parent instanceof ObjectNode object) {
      object.set(last.name(), changed);
    }
    return copy;
  }

  /** The tree without a field. */
  JsonNode without(Location field) {
    List<Location> steps = field.steps();
    Location last = steps.get(steps.size() - 1);
    JsonNode copy = root.deepCopy();
    JsonNode parent = copy;
    for (Location step : steps.subList(0, steps.size() - 1)) {
      parent = child(parent, step);
    }
    if (parent instanceof ObjectNode object) {
      object.remove(last.name());
    }
    return copy;
  }

  private static JsonNode child(JsonNode parent, Location step) {
    return step.index() >= 0 ? parent.path(step.index()) : parent.path(step.name());
  }

  /** Something of another kind. */
  static JsonNode otherKind(JsonNode value) {
    if (value.isNumber() || value.isBoolean()) {
      return NODES.stringNode(value.asString());
    }
    if (value.isArray()) {
      return NODES.objectNode();
    }
    if (value.isObject()) {
      return NODES.stringNode("another kind");
    }
    return value.isString() ? NODES.numberNode(7) : NODES.stringNode("not null");
  }

  static JsonNode plus(JsonNode number, int step) {
    if (number.isFloat() || number.isDouble()) {
      return NODES.numberNode(number.doubleValue() + step);
    }
    BigDecimal other = number.decimalValue().add(BigDecimal.valueOf(step));
    return number.isIntegralNumber()
        ? NODES.numberNode(other.toBigInteger())
        : NODES.numberNode(other);
  }

  static JsonNode shorter(JsonNode list) {
    ArrayNode other = NODES.arrayNode();
    for (int i = 0; i < list.size() - 1; i++) {
      other.add(list.get(i));
    }
    return other;
  }

  static JsonNode doubled(JsonNode list) {
    ArrayNode other = NODES.arrayNode();
    other.add(list.get(0));
    list.forEach(other::add);
    return other;
  }

  static JsonNode turned(JsonNode list) {
    List<JsonNode> items = new ArrayList<>();
    list.forEach(item -> items.add(0, item));
    ArrayNode other = NODES.arrayNode();
    items.forEach(other::add);
    return other;
  }
}
