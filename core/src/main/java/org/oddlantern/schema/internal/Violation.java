package org.oddlantern.schema.internal;

import java.util.List;

/**
 * Something that does not hold: a keyword at a place. One that looks into other schemas carries what
 * they found.
 *
 * @param spot where
 * @param keyword what does not hold
 * @param inside what does not hold in its subschemas; for a choice, one for each branch
 */
record Violation(Spot spot, Keyword keyword, List<Violation> inside) {

  /** Keeps its own list. */
  Violation {
    inside = List.copyOf(inside);
  }

  /** The subschema and the keyword in it, as {@code schemas/hive.json#/properties/frames/maximum}. */
  String place() {
    return spot.subschema().site().place(keyword.name());
  }
}
