package org.oddlantern.json.internal;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/**
 * A shape made of shapes or values, which are what decides how a text without a kind is read: a negation
 * must not choose another reading than what it negates.
 */
public interface ComposedShape extends NodeShape {

  /**
   * Whether it asks about a list as a whole: its size, its order, its items. What does not can be had by no
   * list, so its negation asks each item of a list that was gathered from many places.
   *
   * @return true if so
   */
  default boolean asksAboutLists() {
    return false;
  }

  /**
   * The shapes that must all hold for this one to hold.
   *
   * @return the shapes; itself alone if it is not made of such
   */
  default List<NodeShape> together() {
    return List.of(this);
  }

  /**
   * Whether a shape asks about a list as a whole.
   *
   * @param shape any shape
   * @return true if so, or if an empty list has it
   */
  static boolean asksAboutLists(NodeShape shape) {
    return shape instanceof ComposedShape composed
        ? composed.asksAboutLists()
        : shape.examine(Location.ROOT, JsonNodeFactory.instance.arrayNode()).isEmpty();
  }

  @Override
  default List<Finding> examine(Location where, JsonNode value) {
    return value.isMissingNode()
        ? List.of(Finding.nothing(where, words(), "there is no such value"))
        : differences(where, value);
  }
}
