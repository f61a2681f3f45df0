package org.oddlantern.schema.internal.make;

import java.math.BigDecimal;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/**
 * The values at one place that are just as far as a schema allows.
 *
 * @param place where it is
 */
record EdgeValues(Place place) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final String FOREIGN = "Zo\u00eb \u8702 \ud83d\udc1d";
  private static final int MOST_ITEMS = 200;
  private static final int LONGEST = 100_000;

  void find() {
    JsonNode here = place.here();
    SchemaView schema = place.schema();
    if (schema.accepts(MAKE.nullNode()) && schema.types().contains("null") || isNullable()) {
      place.add("is null", "null", any -> MAKE.nullNode());
    }
    for (JsonNode layer : schema.layers()) {
      for (JsonNode value : layer.path("enum")) {
        if (schema.accepts(value)) {
          place.add("is " + Words.of(value), "one of", any -> value);
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
    return place.schema().accepts(MAKE.nullNode())
        && place.schema().layers().stream()
            .anyMatch(layer -> layer.path("nullable").asBoolean(false));
  }

  private void object() {
    Set<String> required = place.required();
    for (String name : place.schema().fields().keySet()) {
      if (!required.contains(name) && place.here().has(name)) {
        place
            .search()
            .add(
                "is left out",
                "left out",
                place.way().then(name),
                any -> MissingNode.getInstance());
      }
    }
  }

  private void list() {
    int least = (int) place.least("minItems");
    if (least < place.here().size()) {
      place.add("has only " + least + " items", "fewest items", now -> place.sized(now, least));
    }
    long most = place.most("maxItems");
    if (place.has("maxItems") && most <= MOST_ITEMS) {
      place.add("has all " + most + " items", "most items", now -> place.sized(now, (int) most));
    }
  }

  private void number() {
    boolean whole = place.isWhole();
    Bounds bounds = Bounds.of(place.layers());
    BigDecimal least = bounds.smallest(whole);
    if (least != null) {
      place.add(
          "is " + least.toPlainString() + ", the least", "least", any -> Examples.number(least));
    }
    BigDecimal most = bounds.largest(whole);
    if (most != null) {
      place.add("is " + most.toPlainString() + ", the most", "most", any -> Examples.number(most));
    }
  }

  private void text() {
    int least = (int) place.least("minLength");
    int most = (int) Math.min(LONGEST + 1L, place.most("maxLength"));
    if (place.has("minLength")) {
      length("is as short as it may be", "shortest", least);
    }
    if (place.has("maxLength") && most <= LONGEST) {
      length("is as long as it may be", "longest", most);
    }
    JsonNode text = foreign(place.here(), least, most);
    if (most > 2 && place.schema().accepts(text)) {
      place.add("has letters from elsewhere", "other letters", now -> foreign(now, least, most));
    }
  }

  /** With what is new in the good value behind it, so that it stays new. */
  private static JsonNode foreign(JsonNode now, int least, int most) {
    String text = WrongTexts.cutText(FOREIGN + " " + now.asString(""), most);
    int missing = least - text.codePointCount(0, text.length());
    return MAKE.stringNode(text + "x".repeat(Math.max(0, missing)));
  }

  private void length(String words, String rule, int length) {
    if (ofLength(place.here(), length) == null) {
      place.leftOut(words, "no text of " + length + " characters was found that fits");
    } else {
      place.add(words, rule, now -> {
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
        : WrongTexts.longText(text, length);
    if (place.schema().accepts(MAKE.stringNode(made))) {
      return MAKE.stringNode(made);
    }
    String other = Texts.ofLength(place.schema(), length, new Chance(Fresh.seeded("edge", text)));
    return other == null ? null : MAKE.stringNode(other);
  }
}
