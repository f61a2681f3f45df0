package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ComposedShape;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Lets a check look at a list item, which is evidence of its own then. */
record CheckedItem(Check check) implements ComposedShape {

  @Override
  public String words() {
    return "one for which holds: " + check.words();
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    List<Finding> placed = new ArrayList<>();
    for (Finding finding : check.examine(new ItemEvidence(where, value))) {
      boolean inside = finding.where().startsWith("$");
      Finding there = finding.at(inside ? where + finding.where().substring(1) : where.toString());
      placed.add(
          inside
              ? there.atEach(finding.places().stream()
                  .map(each -> where + each.substring(1))
                  .toList())
              : there);
    }
    return placed;
  }
}
