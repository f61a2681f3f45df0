package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Makes texts that fit a schema. */
final class Texts {

  private static final int USUAL = 12;
  private static final int LONGEST = 100_000;

  private Texts() {}

  /** A text that fits; null if none could be made. */
  static @Nullable String of(SchemaView schema, Chance chance) {
    int least = (int) Limits.least(schema.layers(), "minLength");
    int most = (int) Math.min(LONGEST, Limits.most(schema.layers(), "maxLength"));
    return of(schema, Math.max(least, Math.min(USUAL, most)), least, most, chance);
  }

  /** A text of just so many characters; null if none could be made. */
  static @Nullable String ofLength(SchemaView schema, int length, Chance chance) {
    return length > LONGEST ? null : of(schema, length, length, length, chance);
  }

  private static @Nullable String of(
      SchemaView schema, int usual, int least, int most, Chance chance) {
    List<String> tried = new ArrayList<>();
    for (JsonNode layer : schema.layers()) {
      if (layer.path("format").isString()) {
        FormatText.of(layer.path("format").stringValue(), chance).ifPresent(tried::add);
      }
    }
    tried.add(chance.text(usual));
    for (JsonNode layer : schema.layers()) {
      if (layer.path("pattern").isString()) {
        Optional<String> text =
            PatternText.of(layer.path("pattern").stringValue(), least, most, chance);
        text.ifPresent(tried::add);
      }
      examples(layer, tried);
    }
    return tried.stream()
        .filter(text -> text.codePointCount(0, text.length()) >= least
            && text.codePointCount(0, text.length()) <= most)
        .filter(text -> schema.accepts(StringNode.valueOf(text)))
        .findFirst()
        .orElse(null);
  }

  private static void examples(JsonNode layer, List<String> tried) {
    layer.path("examples").forEach(one -> tried.add(one.asString("")));
    tried.add(layer.path("example").asString(""));
    tried.add(layer.path("default").asString(""));
  }
}
