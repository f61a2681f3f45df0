package org.oddlantern.schema.internal.make;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** The values at one place that are just as far as a schema allows. */
final class EdgeValues {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final String FOREIGN = "Zo\u00eb \u8702 \ud83d\udc1d";
  private static final int MOST_ITEMS = 200;
  private static final int LONGEST = 100_000;

  private final Changes.Search search;
  private final SchemaView schema;
  private final Way way;
  private final JsonNode here;
  private final Chance chance;

  EdgeValues(Changes.Search search, SchemaView schema, Way way, JsonNode here, Chance chance) {
    this.search = search;
    this.schema = schema;
    this.way = way;
    this.here = here;
    this.chance = chance;
  }

  void find() {
    if (schema.accepts(MAKE.nullNode()) && schema.types().contains("null") || isNullable()) {
      search.add("is null", "null", way, any -> MAKE.nullNode());
    }
    for (JsonNode layer : schema.layers()) {
      for (JsonNode value : layer.path("enum")) {
        if (schema.accepts(value)) {
          search.add("is " + Words.of(value), "one of", way, any -> value);
        }
      }
    }
    if (here.isObject()) {
      object();
    } else if (here.isArray()) {
      list();
    } else if (here.isNumber()) {
      number();
    } else if (here.isString()) {
      text();
    }
  }

  private boolean isNullable() {
    return schema.accepts(MAKE.nullNode())
        && schema.layers().stream().anyMatch(layer -> layer.path("nullable").asBoolean(false));
  }

  private void object() {
    Set<String> required = new HashSet<>();
    schema
        .layers()
        .forEach(layer -> layer.path("required").forEach(name -> required.add(name.asString(""))));
    for (String name : schema.fields().keySet()) {
      if (!required.contains(name) && here.has(name)) {
        search.add("is left out", "left out", way.then(name), any -> MissingNode.getInstance());
      }
    }
  }

  private void list() {
    int least = (int) Limits.least(schema.layers(), "minItems");
    if (least < here.size()) {
      search.add("has only " + least + " items", "fewest items", way, now -> sized(now, least));
    }
    long most = Limits.most(schema.layers(), "maxItems");
    if (Limits.has(schema.layers(), "maxItems") && most <= MOST_ITEMS) {
      search.add("has all " + most + " items", "most items", way, now -> sized(now, (int) most));
    }
  }

  private JsonNode sized(JsonNode list, int size) {
    ArrayNode copy = MAKE.arrayNode();
    SchemaView items = schema.items();
    for (int i = 0; i < size; i++) {
      if (i < list.size()) {
        copy.add(list.get(i));
      } else {
        copy.add(
            items == null
                ? MAKE.stringNode(chance.text(8))
                : Examples.of(items, chance.fresh()).orElse(MAKE.nullNode()));
      }
    }
    return copy;
  }

  private void number() {
    boolean whole = schema.types().contains("integer") && !schema.types().contains("number");
    Bounds bounds = Bounds.of(schema.layers());
    BigDecimal least = bounds.smallest(whole);
    if (least != null) {
      search.add(
          "is " + least.toPlainString() + ", the least",
          "least",
          way,
          any -> Examples.number(least));
    }
    BigDecimal most = bounds.largest(whole);
    if (most != null) {
      search.add(
          "is " + most.toPlainString() + ", the most", "most", way, any -> Examples.number(most));
    }
  }

  private void text() {
    List<JsonNode> layers = schema.layers();
    int least = (int) Limits.least(layers, "minLength");
    int most = (int) Math.min(LONGEST + 1L, Limits.most(layers, "maxLength"));
    if (Limits.has(layers, "minLength")) {
      length("is as short as it may be", "shortest", least);
    }
    if (Limits.has(layers, "maxLength") && most <= LONGEST) {
      length("is as long as it may be", "longest", most);
    }
    JsonNode text = foreign(here, least, most);
    if (most > 2 && schema.accepts(text)) {
      search.add(
          "has letters from elsewhere", "other letters", way, now -> foreign(now, least, most));
    }
  }

  /** With what is new in the good value behind it, so that it stays new. */
  private static JsonNode foreign(JsonNode now, int least, int most) {
    String text = WrongValues.cutText(FOREIGN + " " + now.asString(""), most);
    int missing = least - text.codePointCount(0, text.length());
    return MAKE.stringNode(text + "x".repeat(Math.max(0, missing)));
  }

  private void length(String words, String rule, int length) {
    if (ofLength(here, length) == null) {
      search.leftOut(way, words, "no text of " + length + " characters was found that fits");
    } else {
      search.add(words, rule, way, now -> {
        JsonNode text = ofLength(now, length);
        return text == null ? now : text;
      });
    }
  }

  /** Made of the good value, so that it is as new as that is. */
  private @Nullable JsonNode ofLength(JsonNode now, int length) {
    String text = now.asString("");
    int points = text.codePointCount(0, text.length());
    String made = points >= length
        ? text.substring(text.offsetByCodePoints(0, points - length))
        : WrongValues.longText(text, length);
    if (schema.accepts(MAKE.stringNode(made))) {
      return MAKE.stringNode(made);
    }
    String other = Texts.ofLength(schema, length, new Chance(Fresh.seeded("edge", text)));
    return other == null ? null : MAKE.stringNode(other);
  }
}
