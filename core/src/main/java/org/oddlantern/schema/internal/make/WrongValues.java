package org.oddlantern.schema.internal.make;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeType;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** The ways in which a value can be wrong at one place. */
final class WrongValues {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final Map<JsonNodeType, String> WORDS = Map.of(
      JsonNodeType.STRING, "a text",
      JsonNodeType.NUMBER, "a number",
      JsonNodeType.BOOLEAN, "true",
      JsonNodeType.ARRAY, "a list",
      JsonNodeType.OBJECT, "an object");
  private static final int LONGEST = 100_000;
  private static final int MOST_ITEMS = 1_000;

  private final Changes.Search search;
  private final SchemaView schema;
  private final Way way;
  private final JsonNode here;
  private final Chance chance;

  WrongValues(Changes.Search search, SchemaView schema, Way way, JsonNode here, Chance chance) {
    this.search = search;
    this.schema = schema;
    this.way = way;
    this.here = here;
    this.chance = chance;
  }

  void find() {
    if (!schema.accepts(MAKE.nullNode())) {
      search.add("is null", "null", way, any -> MAKE.nullNode());
    }
    kind();
    named();
    if (here.isObject()) {
      object((ObjectNode) here);
    } else if (here.isArray()) {
      list((ArrayNode) here);
    } else if (here.isNumber()) {
      number();
    } else if (here.isString()) {
      text();
    }
  }

  private List<JsonNode> layers() {
    return schema.layers();
  }

  private void kind() {
    for (JsonNode other : List.of(
        MAKE.stringNode("other"),
        MAKE.numberNode(7),
        MAKE.booleanNode(true),
        MAKE.arrayNode(),
        MAKE.objectNode())) {
      if (other.getNodeType() != here.getNodeType() && !schema.accepts(other)) {
        search.add("is " + WORDS.get(other.getNodeType()), "another kind", way, any -> other);
        return;
      }
    }
  }

  /** Another one than the few that may be. */
  private void named() {
    boolean few = layers().stream().anyMatch(layer -> layer.has("enum") || layer.has("const"));
    if (few && (here.isString() || here.isNumber())) {
      search.add("is not one of those", "not one of", way, WrongValues::other);
    }
  }

  private static JsonNode other(JsonNode now) {
    return now.isNumber()
        ? Examples.number(now.decimalValue().add(new BigDecimal(9_999)))
        : MAKE.stringNode(now.asString("") + "x");
  }

  private void object(ObjectNode object) {
    Set<String> required = new TreeSet<>();
    layers()
        .forEach(layer -> layer.path("required").forEach(name -> required.add(name.asString(""))));
    for (String name : required) {
      search.add("is missing", "missing", way.then(name), any -> MissingNode.getInstance());
    }
    boolean closed = layers().stream()
        .anyMatch(layer -> isNone(layer.path("additionalProperties"))
            || isNone(layer.path("unevaluatedProperties")));
    if (closed) {
      String name = object.has("surplus") ? chance.text(10) : "surplus";
      search.add(
          "is a field that nobody knows",
          Changes.UNKNOWN,
          way.then(name),
          any -> MAKE.stringNode("other"));
    }
  }

  private static boolean isNone(JsonNode schema) {
    return schema.isBoolean() && !schema.booleanValue();
  }

  private void list(ArrayNode list) {
    long least = Limits.least(layers(), "minItems");
    if (least > 0) {
      search.add("has one item too few", "too few items", way, now -> cut(now, (int) least - 1));
    }
    if (Limits.has(layers(), "maxItems")) {
      long most = Limits.most(layers(), "maxItems");
      if (most < MOST_ITEMS) {
        search.add(
            "has one item too many", "too many items", way, now -> filled(now, (int) most + 1));
      } else {
        search.leftOut(way, "has one item too many", "that would be " + (most + 1) + " items");
      }
    }
    boolean unique =
        layers().stream().anyMatch(layer -> layer.path("uniqueItems").asBoolean(false));
    if (unique && !list.isEmpty()) {
      search.add("has an item twice", "doubled", way, WrongValues::doubled);
    }
  }

  private static JsonNode cut(JsonNode list, int size) {
    ArrayNode copy = MAKE.arrayNode();
    for (int i = 0; i < size && i < list.size(); i++) {
      copy.add(list.get(i));
    }
    return copy;
  }

  private JsonNode filled(JsonNode list, int size) {
    ArrayNode copy = MAKE.arrayNode();
    list.forEach(copy::add);
    SchemaView items = schema.items();
    while (copy.size() < size) {
      JsonNode made = items == null
          ? MAKE.stringNode(chance.text(8))
          : Examples.of(items, chance.fresh())
              .orElse(copy.isEmpty() ? MAKE.nullNode() : copy.get(0));
      copy.add(made);
    }
    return copy;
  }

  /** One in the stead of the last, so that there are as many. */
  private static JsonNode doubled(JsonNode list) {
    ArrayNode copy = MAKE.arrayNode();
    list.forEach(copy::add);
    if (copy.size() > 1) {
      copy.set(copy.size() - 1, copy.get(0));
    } else if (!copy.isEmpty()) {
      copy.add(copy.get(0));
    }
    return copy;
  }

  private void number() {
    boolean whole = schema.types().contains("integer") && !schema.types().contains("number");
    Bounds bounds = Bounds.of(layers());
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
      BigDecimal between = here.decimalValue().add(unit.divide(BigDecimal.valueOf(2)));
      boolean fits = !whole || between.stripTrailingZeros().scale() <= 0;
      add(
          "is no multiple of " + unit.toPlainString(),
          "no multiple",
          fits ? between : here.decimalValue().add(BigDecimal.ONE));
    }
  }

  private void add(String words, String rule, BigDecimal value) {
    search.add(words, rule, way, any -> Examples.number(value));
  }

  private void text() {
    long least = Limits.least(layers(), "minLength");
    if (least > 0) {
      search.add(
          "is too short",
          "too short",
          way,
          now -> MAKE.stringNode(cutText(now.asString(""), (int) least - 1)));
    }
    if (Limits.has(layers(), "maxLength")) {
      long most = Limits.most(layers(), "maxLength");
      if (most < LONGEST) {
        search.add(
            "is too long",
            "too long",
            way,
            now -> MAKE.stringNode(longText(now.asString(""), (int) most + 1)));
      } else {
        search.leftOut(way, "is too long", "that would be " + (most + 1) + " characters");
      }
    }
    boolean pattern = layers().stream().anyMatch(layer -> layer.path("pattern").isString());
    if (pattern) {
      refused("does not match the pattern", "another pattern");
    }
    for (JsonNode layer : layers()) {
      String format = layer.path("format").asString("");
      if (!format.isEmpty()) {
        refused("is no " + format, "another format");
      }
    }
  }

  /** A text that is refused though its length may be. */
  private void refused(String words, String rule) {
    int least = (int) Limits.least(layers(), "minLength");
    int most = (int) Math.min(LONGEST, Limits.most(layers(), "maxLength"));
    for (String seed : List.of("\u00a7", "!", " ", "-", "a", "0", "Z", "")) {
      int length = seed.isEmpty() ? 0 : Math.max(Math.max(least, 1), Math.min(3, most));
      JsonNode text = MAKE.stringNode(seed.repeat(length));
      if (length >= least && length <= most && !schema.accepts(text)) {
        search.add(words, rule, way, any -> text);
        return;
      }
    }
    search.leftOut(way, words, "no text was found that is refused");
  }

  static String cutText(String text, int points) {
    int count = text.codePointCount(0, text.length());
    return count <= points ? text : text.substring(0, text.offsetByCodePoints(0, points));
  }

  static String longText(String text, int points) {
    StringBuilder longer = new StringBuilder(text);
    String last = longer.isEmpty() ? "x" : longer.substring(longer.length() - 1);
    String fill = last.matches("[a-zA-Z0-9]") ? last : "x";
    while (longer.codePointCount(0, longer.length()) < points) {
      longer.append(fill);
    }
    return longer.toString();
  }
}
