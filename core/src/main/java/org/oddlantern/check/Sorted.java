package org.oddlantern.check;

import org.oddlantern.json.Shape;

/**
 * A list in ascending order, equal neighbours allowed: numbers by value, texts by code points, which puts
 * dates and moments of one offset in order too. Made by {@link Shapes#sorted()} and {@link
 * Shapes#sortedBy(String)}. Immutable and thread-safe.
 *
 * <pre>{@code
 * at("$.inspections", sortedBy("$.madeOn").descending())
 * }</pre>
 */
public sealed interface Sorted extends Shape permits SortedShape {
  /**
   * The same order, from the greatest to the least.
   *
   * @return the shape
   */
  Sorted descending();
}
