package org.oddlantern.schema.internal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Where a slow judgement stands: at which place of the value, in which subschema, and on which way
 * through the schemas it came there.
 *
 * @param where the place in the value
 * @param inside the same place, from the value that is judged as a whole
 * @param value the value there
 * @param rule the subschema; null before the first
 * @param way the keywords passed: the keyword location of the specification
 */
record Spot(
    Location where, Steps inside, JsonNode value, @Nullable Rule rule, Steps way) {

  static Spot of(Location where, JsonNode value) {
    return new Spot(where, Steps.NONE, value, null, Steps.NONE);
  }

  /** In a subschema. */
  Spot in(Rule subschema) {
    return new Spot(where, inside, value, subschema, way);
  }

  /** On through a keyword, at the same place of the value. */
  Spot through(String keyword) {
    return new Spot(where, inside, value, rule, way.then(keyword));
  }

  /** On through one of the subschemas at a keyword, by its name or index. */
  Spot through(String keyword, Object which) {
    return new Spot(where, inside, value, rule, way.then(keyword).then(which));
  }

  /** At a member of the object. */
  Spot at(String name, JsonNode member) {
    return new Spot(where.child(name), inside.then(name), member, rule, way);
  }

  /** At an item of the list. */
  Spot at(int index, JsonNode item) {
    return new Spot(
        where.child(index).knownAs(Identity.of(item)), inside.then(index), item, rule, way);
  }

  Violation violation(Keyword keyword) {
    return new Violation(this, keyword, List.of());
  }

  Violation violation(Keyword keyword, List<Violation> found) {
    return new Violation(this, keyword, found);
  }

  /** The subschema, which is there wherever a keyword stands. */
  Rule subschema() {
    if (rule == null) {
      throw new IllegalStateException("a keyword is judged outside of every schema");
    }
    return rule;
  }
}
