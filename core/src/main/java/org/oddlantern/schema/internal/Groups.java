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
  static final int TYPE = 1 << 1;
  static final int VALUES = 1 << 2;
  static final int NUMBERS = 1 << 3;
  static final int LENGTHS = 1 << 4;
  static final int ITEM_COUNTS = 1 << 5;
  static final int FIELD_COUNTS = 1 << 6;
  static final int REQUIRED = 1 << 7;
  static final int TEXTS = 1 << 8;
  static final int ALL_OF = 1 << 9;
  static final int BRANCHES = 1 << 10;
  static final int NOT = 1 << 11;
  static final int CONDITION = 1 << 12;
  static final int FIELDS = 1 << 13;
  static final int FIELD_NAMES = 1 << 14;
  static final int DEPENDENT = 1 << 15;
  static final int ITEMS = 1 << 16;
  static final int CONTAINS = 1 << 17;
  static final int UNEVALUATED = 1 << 18;

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
    add(known, TYPE, "type");
    add(known, VALUES, "enum", "const");
    add(known, NUMBERS, "minimum", "maximum", "multipleOf", "format");
    add(known, NUMBERS, "exclusiveMinimum", "exclusiveMaximum");
    add(known, LENGTHS, "minLength", "maxLength");
    add(known, ITEM_COUNTS, "minItems", "maxItems", "uniqueItems");
    add(known, FIELD_COUNTS, "minProperties", "maxProperties");
    add(known, REQUIRED, "required", "dependentRequired");
    add(known, TEXTS, "pattern", "format", "contentEncoding", "contentMediaType");
    add(known, ALL_OF, "allOf");
    add(known, BRANCHES, "anyOf", "oneOf");
    add(known, NOT, "not");
    add(known, CONDITION, "if", "then", "else");
    add(known, FIELDS, "properties", "patternProperties", "additionalProperties");
    add(known, FIELD_NAMES, "propertyNames");
    add(known, DEPENDENT, "dependentSchemas", "dependencies");
    add(known, ITEMS, "items", "prefixItems", "additionalItems");
    add(known, CONTAINS, "contains");
    add(known, UNEVALUATED, "unevaluatedProperties", "unevaluatedItems");
    return known;
  }

  private static void add(Map<String, Integer> known, int group, String... keywords) {
    for (String keyword : keywords) {
      known.merge(keyword, group, (one, other) -> one | other);
    }
  }
}
