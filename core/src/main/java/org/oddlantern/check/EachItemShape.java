package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;

/** Puts one shape to every item and tells every item that does not have it. */
record EachItemShape(Shape item) implements Shape {

  private static final int SHOWN = 20;

  @Override
  public String words() {
    return "a list whose every item is " + item.words();
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (!value.isArray()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    if (value.isEmpty()) {
      return List.of(Finding.of(where, words(), "an empty list")
          .hint("over no item at all this proves nothing; size(0) wants an empty list"));
    }
    List<Finding> findings = new ArrayList<>();
    int bad = 0;
    for (int i = 0; i < value.size(); i++) {
      List<Finding> ofItem = item.examine(where.child(i), value.get(i));
      bad += ofItem.isEmpty() ? 0 : 1;
      if (bad <= SHOWN) {
        findings.addAll(ofItem);
      }
    }
    if (bad > SHOWN) {
      findings.add(Finding.of(
          where,
          words(),
          "%d more items that are not (%d of %d in all)"
              .formatted(bad - SHOWN, bad, value.size())));
    }
    return findings;
  }
}
