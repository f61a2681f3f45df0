package org.oddlantern.check;

import org.oddlantern.json.Shape;

/**
 * A list whose every item has a shape; over no item at all it does not hold. Every bad item is reported, by
 * its index and by what it is known by. Made by {@link Shapes#eachItem(Object)}. Immutable and
 * thread-safe.
 *
 * <pre>{@code
 * at("$.inspections", eachItem(including(Map.of("frames", atLeast(1)))).identifiedBy("$.madeOn"))
 * }</pre>
 */
public sealed interface EachItem extends Shape permits EachItemShape {
  /**
   * The same, the items known by what is at a path of each, where no {@code id} or the like does.
   *
   * @param path a path to one place, from the item: {@code $.tag}
   * @return the shape
   * @throws IllegalArgumentException if it is no path, or leads to many places
   */
  EachItem identifiedBy(String path);
}
