package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ComposedShape;
import org.oddlantern.json.internal.FindingsUpToCap;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A value that is there and does not have a shape. */
record NotShape(NodeShape shape) implements ComposedShape {

  @Override
  public NodeShape by(JsonMapping mapping) {
    return new NotShape(shape.by(mapping));
  }

  @Override
  public String words() {
    return "anything but " + shape.words();
  }

  @Override
  public boolean asksAboutLists() {
    return ComposedShape.asksAboutLists(shape);
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (GatheredValues.isNothing(value)) {
      return GatheredValues.nothing(where, words());
    }
    if (value instanceof GatheredValues && !asksAboutLists()) {
      FindingsUpToCap findings = new FindingsUpToCap();
      for (int i = 0; i < value.size(); i++) {
        examine(where.child(i), value.get(i)).forEach(finding -> findings.add(() -> finding));
      }
      return findings.all(where);
    }
    return shape.examine(where, value).isEmpty()
        ? List.of(Finding.of(where, words(), Words.withKind(value)))
        : List.of();
  }
}
