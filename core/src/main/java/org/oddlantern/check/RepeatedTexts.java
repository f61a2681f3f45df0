package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ComposedShape;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.UntypedText;

/** Asks about a header or a cookie that may be there more than once. */
record RepeatedTexts(List<String> texts) {

  /**
   * One that fits is enough; but a negation speaks of every one, since that one of them is another thing
   * would say nothing.
   */
  boolean have(NodeShape shape) {
    List<NodeShape> together =
        shape instanceof ComposedShape composed ? composed.together() : List.of(shape);
    return texts.stream().anyMatch(text -> fits(shape, text))
        && together.stream()
            .filter(NotShape.class::isInstance)
            .allMatch(negation -> texts.stream().allMatch(text -> fits(negation, text)));
  }

  private static boolean fits(NodeShape shape, String text) {
    return shape.examine(Location.ROOT, UntypedText.of(text)).isEmpty();
  }
}
