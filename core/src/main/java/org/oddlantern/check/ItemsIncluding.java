package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A list in which, among others, certain items are, each of its own. */
record ItemsIncluding(List<NodeShape> wanted) implements ListShape {

  @Override
  public NodeShape by(JsonMapping mapping) {
    return new ItemsIncluding(wanted.stream().map(one -> one.by(mapping)).toList());
  }

  @Override
  public String words() {
    return "a list with the " + (wanted.size() == 1 ? "item " : "items ")
        + Words.cut(wanted.stream().map(Shape::words).collect(Collectors.joining(", ")));
  }

  @Override
  public List<Finding> ofList(Location where, JsonNode value) {
    List<Finding> findings = new ArrayList<>();
    Matching matching = Matching.of(wanted, value);
    List<Integer> all = IntStream.range(0, value.size()).boxed().toList();
    for (int i : matching.openShapes()) {
      Finding finding = NearestItem.of(wanted.get(i), value, all).finding(where, wanted.get(i));
      findings.add(finding
          .atEach(List.of())
          .got("no such item among " + value.size()
              + (finding.hints().isEmpty() ? ": " + Words.of(value) : "")));
    }
    return findings;
  }
}
