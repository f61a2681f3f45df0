package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ComposedShape;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.IntNode;

/** Counts items, fields or code points and asks a shape about the number. */
record SizeShape(NodeShape number) implements ComposedShape {

  @Override
  public String words() {
    return "the size " + number.words();
  }

  @Override
  public boolean asksAboutLists() {
    return true;
  }

  @Override
  public List<Finding> differences(Location where, JsonNode there) {
    JsonNode value = UntypedText.asList(there);
    if (!value.isContainer() && !value.isString()) {
      return List.of(Finding.of(where, words(), Words.withKind(value) + ", which has no size"));
    }
    int size = value.isString() ? codePoints(value.stringValue()) : value.size();
    return number.examine(where, IntNode.valueOf(size)).isEmpty()
        ? List.of()
        : List.of(Finding.of(where, words(), "the size " + size + ": " + Words.of(value)));
  }

  private static int codePoints(String text) {
    return text.codePointCount(0, text.length());
  }
}
