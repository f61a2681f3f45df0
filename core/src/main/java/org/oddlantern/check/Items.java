package org.oddlantern.check;

import org.oddlantern.json.Shape;

/**
 * A list of certain items, each a value or a shape, in their order or in any. Made by {@link
 * Shapes#items(Object, Object...)}. Immutable and thread-safe.
 *
 * <pre>{@code
 * at("$.moods", items("calm", "busy").inAnyOrder())
 * }</pre>
 */
public sealed interface Items extends Shape permits ItemsInOrder {
  /**
   * The same items in any order; each item of the list is for one of the wanted.
   *
   * @return the shape
   */
  Shape inAnyOrder();
}
