package org.oddlantern.schema.internal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * One keyword of a schema (or a few that can only be read together) as a small evaluator. It answers
 * twice: fast, with a yes or no, and slowly, with everything that does not hold. Immutable once its
 * schema is read; shared between threads.
 */
abstract class Keyword {

  private final String name;
  private final int kinds;
  private @Nullable String asks;

  /**
   * A keyword.
   *
   * @param name as the schema writes it
   * @param kinds the kinds of values it can refuse or mark
   */
  Keyword(String name, int kinds) {
    this.name = name;
    this.kinds = kinds;
  }

  final String name() {
    return name;
  }

  final int kinds() {
    return kinds;
  }

  /** Whether it must come after all others of its schema, since it looks at what they covered. */
  boolean isLast() {
    return false;
  }

  /**
   * Whether a value fits.
   *
   * @param value a value of one of its kinds
   * @param covered where to note the parts of the value that were looked at; null if nobody asks
   */
  abstract boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered);

  /** The schemas that it asks about the very same value, whatever the value is. */
  List<Rule> alwaysAsked() {
    return List.of();
  }

  /**
   * Hears that the schemas around and below it are read and tied to each other.
   *
   * @param around the resource in which it stands
   */
  void tie(Resource around) {}

  /** Adds what does not hold; a keyword that looks into other schemas adds what they found. */
  void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
    if (!holds(spot.value(), run, covered)) {
      out.add(spot.violation(this));
    }
  }

  /** What it asks for, as it follows "wanted". */
  abstract String wanted();

  /** What it asks for, and where; put into words for the first who reads them. */
  final String asks(Site site) {
    String known = asks;
    if (known == null) {
      known = wanted() + ", says " + site.place(name);
      asks = known;
    }
    return known;
  }

  /** What was there instead. */
  String got(JsonNode value) {
    return Words.withKind(value);
  }

  /** What may help; empty if nothing comes to mind. */
  String hint(JsonNode value) {
    return "";
  }
}
