package org.oddlantern.schema.internal;

import java.util.HashMap;
import java.util.Map;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Which groups of keywords a schema has, so that it is not asked for each of some fifty keywords, of which
 * it has three. A keyword that is not listed here is never read.
 */
final class Groups {

  static final int REFERENCES = 1;
  static final int KINDS = 1 << 1;
  static final int NUMBERS = 1 << 2;
  static final int SIZES = 1 << 3;
  static final int REQUIRED = 1 << 4;
  static final int TEXTS = 1 << 5;
  static final int CHOICES = 1 << 6;
  static final int OBJECTS = 1 << 7;
  static final int LISTS = 1 << 8;
  static final int UNEVALUATED = 1 << 9;

  private static final Map<String, Integer> KNOWN = known();

  private final int present;

  private Groups(int present) {
    this.present = present;
  }

  /** Those of a schema. */
  static Groups of(JsonNode schema) {
    int present = 0;
    for (Map.Entry<String, JsonNode> keyword : schema.properties()) {
      present |= KNOWN.getOrDefault(keyword.getKey(), 0);
    }
    return new Groups(present);
  }

  /** Whether it has a keyword of one of these groups. */
  boolean has(int groups) {
    return (present & groups) != 0;
  }

  private static Map<String, Integer> known() {
    Map<String, Integer> known = new HashMap<>();
    add(known, REFERENCES, "$ref", "$dynamicRef", "$recursiveRef");
    add(known, KINDS, "type", "enum", "const");
    add(known, NUMBERS, "minimum", "maximum", "multipleOf", "format");
    add(known, NUMBERS, "exclusiveMinimum", "exclusiveMaximum");
    add(known, SIZES, "minLength", "maxLength", "minItems", "maxItems", "uniqueItems");
    add(known, SIZES, "minProperties", "maxProperties");
    add(known, REQUIRED, "required", "dependentRequired");
    add(known, TEXTS, "pattern", "format", "contentEncoding", "contentMediaType");
    add(known, CHOICES, "allOf", "anyOf", "oneOf", "not", "if", "then", "else");
    add(known, OBJECTS, "properties", "patternProperties", "additionalProperties");
    add(known, OBJECTS, "propertyNames", "dependentSchemas", "dependencies");
    add(known, LISTS, "items", "prefixItems", "additionalItems", "contains");
    add(known, UNEVALUATED, "unevaluatedProperties", "unevaluatedItems");
    return known;
  }

  private static void add(Map<String, Integer> known, int group, String... keywords) {
    for (String keyword : keywords) {
      known.merge(keyword, group, (one, other) -> one | other);
    }
  }
}
