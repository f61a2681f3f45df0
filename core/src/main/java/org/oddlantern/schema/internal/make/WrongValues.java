package org.oddlantern.schema.internal.make;

import java.math.BigDecimal;
import java.util.Map;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeType;

/**
 * The ways in which a value can be wrong at one place.
 *
 * @param place where it is
 */
record WrongValues(Place place) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final Map<JsonNodeType, String> WORDS = Map.of(
      JsonNodeType.STRING, "a text",
      JsonNodeType.NUMBER, "a number",
      JsonNodeType.BOOLEAN, "true",
      JsonNodeType.ARRAY, "a list",
      JsonNodeType.OBJECT, "an object");

  void find() {
    JsonNode here = place.here();
    if (!place.schema().accepts(MAKE.nullNode())) {
      place.put("is null", "null", MAKE.nullNode());
    }
    kind();
    named();
    if (here.isObject()) {
      new WrongObjects(place).find();
    } else if (here.isArray()) {
      new WrongLists(place).find();
    } else if (here.isNumber()) {
      number();
    } else if (here.isString()) {
      new WrongTexts(place).find();
    }
  }

  private void kind() {
    for (JsonNode other : Place.ofEachKind()) {
      if (other.getNodeType() != place.here().getNodeType() && !place.schema().accepts(other)) {
        place.put("is " + WORDS.get(other.getNodeType()), "another kind", other);
        return;
      }
    }
  }

  /** Another one than the few that may be. */
  private void named() {
    boolean few =
        place.layers().stream().anyMatch(layer -> layer.has("enum") || layer.has("const"));
    if (few && (place.here().isString() || place.here().isNumber())) {
      place.add("is not one of those", "not one of", WrongValues::other);
    }
  }

  private static JsonNode other(JsonNode now) {
    return now.isNumber()
        ? Examples.number(now.decimalValue().add(new BigDecimal(9_999)))
        : MAKE.stringNode(now.asString("") + "x");
  }

  private void number() {
    boolean whole = place.isWhole();
    Bounds bounds = Bounds.of(place.layers());
    BigDecimal step = bounds.step(whole);
    BigDecimal least = bounds.smallest(whole);
    if (least != null) {
      add("is below " + least.toPlainString(), "below", least.subtract(step));
    }
    BigDecimal most = bounds.largest(whole);
    if (most != null) {
      add("is above " + most.toPlainString(), "above", most.add(step));
    }
    BigDecimal unit = bounds.unit();
    if (unit != null) {
      BigDecimal now = place.here().decimalValue();
      BigDecimal between = now.add(unit.divide(BigDecimal.valueOf(2)));
      boolean fits = !whole || between.stripTrailingZeros().scale() <= 0;
      add(
          "is no multiple of " + unit.toPlainString(),
          "no multiple",
          fits ? between : now.add(BigDecimal.ONE));
    }
  }

  private void add(String words, String rule, BigDecimal value) {
    place.put(words, rule, Examples.number(value));
  }
}
