package org.oddlantern.schema.internal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import tools.jackson.databind.JsonNode;

/**
 * Where a slow judgement stands: at which place of the value, in which subschema, and on which way
 * through the schemas it came there.
 *
 * @param where the place in the value
 * @param pointer the same place as a JSON Pointer
 * @param value the value there
 * @param rule the subschema; null before the first
 * @param way the keywords passed, as a JSON Pointer: the keyword location of the specification
 */
record Spot(
    Location where,
    String pointer,
    JsonNode value,
    @Nullable Rule rule,
    String way) {

  static Spot of(Location where, JsonNode value) {
    return new Spot(where, "", value, null, "");
  }

  /** In a subschema. */
  Spot in(Rule subschema) {
    return new Spot(where, pointer, value, subschema, way);
  }

  /** On through a keyword, at the same place of the value. */
  Spot through(Object... steps) {
    StringBuilder longer = new StringBuilder(way);
    for (Object step : steps) {
      longer.append('/').append(Pointers.escape(step.toString()));
    }
    return new Spot(where, pointer, value, rule, longer.toString());
  }

  /** At a member of the object. */
  Spot at(String name, JsonNode member) {
    return new Spot(where.child(name), pointer + "/" + Pointers.escape(name), member, rule, way);
  }

  /** At an item of the list. */
  Spot at(int index, JsonNode item) {
    return new Spot(where.child(index), pointer + "/" + index, item, rule, way);
  }

  Violation violation(Keyword keyword) {
    return new Violation(this, keyword, List.of());
  }

  Violation violation(Keyword keyword, List<Violation> inside) {
    return new Violation(this, keyword, inside);
  }

  /** The subschema, which is there wherever a keyword stands. */
  Rule subschema() {
    if (rule == null) {
      throw new IllegalStateException("a keyword is judged outside of every schema");
    }
    return rule;
  }
}
