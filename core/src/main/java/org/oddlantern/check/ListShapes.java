package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.path.TreePath;

/** The shapes that lists may have; {@link Checks} brings them along. */
public class ListShapes {

  /** Only {@link Shapes} extends this. */
  ListShapes() {}

  /**
   * A list whose every item has that shape; every item that does not is reported. It does not hold over an
   * empty list.
   *
   * @param item a value, or a shape
   * @return the shape
   */
  public static EachItem eachItem(@Nullable Object item) {
    return new EachItemShape(itemShape(item));
  }

  /**
   * A list of just these items, in this order.
   *
   * @param first a value, or a shape
   * @param more more of them
   * @return the shape; {@link Items#inAnyOrder()} takes them in any order
   */
  public static Items items(@Nullable Object first, @Nullable Object... more) {
    return new ItemsInOrder(first, more);
  }

  /**
   * A list in which these items are, each of its own, among others and wherever.
   *
   * @param first a value, or a shape
   * @param more more of them
   * @return the shape
   */
  public static Shape itemsIncluding(@Nullable Object first, @Nullable Object... more) {
    List<NodeShape> shapes = new ArrayList<>();
    shapes.add(NodeShape.of(first));
    for (Object other : more) {
      shapes.add(NodeShape.of(other));
    }
    return new ItemsIncluding(List.copyOf(shapes));
  }

  /**
   * A list in which no two items are equal; an empty one is.
   *
   * @return the shape
   */
  public static Shape distinct() {
    return new DistinctShape();
  }

  /**
   * A list in ascending order: numbers by value, texts by code points; equal neighbours are in order.
   *
   * @return the shape
   */
  public static Sorted sorted() {
    return new SortedShape(null, false);
  }

  /**
   * A list in the ascending order of what is at a path of each item.
   *
   * @param path a path to one place, from the item: {@code $.madeOn}
   * @return the shape
   * @throws IllegalArgumentException if it is no path, or leads to many places
   */
  public static Sorted sortedBy(String path) {
    Needed.of(path, "sortedBy(path): path");
    TreePath parsed = TreePath.of(path);
    parsed.steps();
    return new SortedShape(parsed, false);
  }

  /** The same for an item, which a check may look at as evidence of its own. */
  static NodeShape itemShape(@Nullable Object value) {
    return value instanceof Check check && !(value instanceof Shape)
        ? new CheckedItem(check)
        : NodeShape.of(value);
  }
}
