package org.oddlantern.json.internal;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;
import org.oddlantern.shaded.tools.jackson.databind.node.POJONode;

/** Shapes that stand inside the tree of a wanted value. */
final class Embedded {

  private Embedded() {}

  static NodeShape shape(JsonNode node) {
    Object held = ((POJONode) node).getPojo();
    return held instanceof Shape shape
        ? NodeShape.of(shape)
        : new UnknownValue(String.valueOf(held));
  }

  /** Whether it is a shape that holds where nothing is. */
  static boolean allowsNothing(JsonNode node) {
    return node.isPojo()
        && shape(node).examine(Location.ROOT, MissingNode.getInstance()).isEmpty();
  }

  /** Whether a shape stands anywhere in it. */
  static boolean isIn(JsonNode tree) {
    if (!tree.isContainer()) {
      return tree.isPojo();
    }
    Deque<JsonNode> open = new ArrayDeque<>();
    open.push(tree);
    while (!open.isEmpty()) {
      for (JsonNode child : open.pop()) {
        if (child.isPojo()) {
          return true;
        }
        if (child.isContainer()) {
          open.push(child);
        }
      }
    }
    return false;
  }

  /** A Java object that somebody put into a tree by hand; it has no writing to compare with. */
  private record UnknownValue(String text) implements NodeShape {
    @Override
    public String words() {
      return "the Java object " + Words.cut(text);
    }

    @Override
    public List<Finding> differences(Location where, JsonNode value) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
  }
}
