package org.oddlantern.check;

import java.util.List;
import java.util.stream.Collectors;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.FindingsUpToCap;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A list of certain items in any order, one for each of the wanted. */
record ItemsInAnyOrder(List<NodeShape> wanted) implements ListShape {

  @Override
  public NodeShape by(JsonMapping mapping) {
    return new ItemsInAnyOrder(wanted.stream().map(one -> one.by(mapping)).toList());
  }

  @Override
  public String words() {
    return "in any order the items "
        + Words.cut(wanted.stream().map(Shape::words).collect(Collectors.joining(", ", "[", "]")));
  }

  @Override
  public List<Finding> ofList(Location where, JsonNode value) {
    Matching matching = Matching.of(wanted, value);
    FindingsUpToCap findings = new FindingsUpToCap();
    if (wanted.size() != value.size()) {
      findings.add(
          () -> Finding.of(where, "a list of " + wanted.size(), "a list of " + value.size()));
    }
    for (int i : matching.openShapes()) {
      NodeShape shape = wanted.get(i);
      findings.add(() -> NearestItem.of(shape, value, matching.openItems()).finding(where, shape));
    }
    for (int j : matching.openItems()) {
      JsonNode item = value.get(j);
      findings.add(() -> Finding.of(
          where.child(j).knownAs(Identity.of(item)), "none of the items wanted", Words.of(item)));
    }
    return findings.all(where);
  }
}
