package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Identity;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;

/** A list of certain items in any order, one for each of the wanted. */
record ItemsInAnyOrder(List<Shape> wanted) implements Shape {

  private static final int MOST = 40;

  @Override
  public String words() {
    return "in any order the items "
        + Words.cut(wanted.stream().map(Shape::words).collect(Collectors.joining(", ", "[", "]")));
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (!value.isArray()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    Matching matching = Matching.of(wanted, value);
    List<Finding> findings = new ArrayList<>();
    if (wanted.size() != value.size()) {
      findings.add(Finding.of(where, "a list of " + wanted.size(), "a list of " + value.size()));
    }
    for (int i : matching.openShapes()) {
      findings.add(
          NearestItem.of(wanted.get(i), value, matching.openItems()).finding(where, wanted.get(i)));
    }
    for (int j : matching.openItems()) {
      JsonNode item = value.get(j);
      findings.add(Finding.of(
          where.child(j).knownAs(Identity.of(item)), "none of the items wanted", Words.of(item)));
    }
    return findings.size() <= MOST ? findings : cut(where, findings);
  }

  private static List<Finding> cut(Location where, List<Finding> findings) {
    List<Finding> cut = new ArrayList<>(findings.subList(0, MOST));
    cut.add(Finding.of(
        where,
        "nothing else that differs",
        "%,d more differences (%,d in all)".formatted(findings.size() - MOST, findings.size())));
    return cut;
  }
}
