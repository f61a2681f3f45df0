package org.oddlantern.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.FindingsUpToCap;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A list in which no two items are equal. */
record DistinctShape() implements NodeShape {

  @Override
  public String words() {
    return "a list of distinct items";
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (GatheredValues.isNothing(value)) {
      return GatheredValues.nothing(where, words());
    }
    if (!value.isArray()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    FindingsUpToCap findings = new FindingsUpToCap();
    Map<Long, List<Integer>> seen = new HashMap<>();
    for (int i = 0; i < value.size(); i++) {
      int index = i;
      JsonNode item = value.get(i);
      List<Integer> alike =
          seen.computeIfAbsent(Equality.fingerprint(item), key -> new ArrayList<>(1));
      alike.stream()
          .filter(other -> Equality.same(value.get(other), item))
          .findFirst()
          .ifPresentOrElse(
              other -> findings.add(() -> Finding.of(
                  where.child(index).knownAs(Identity.of(item)),
                  words(),
                  Words.of(item) + ", which is at [" + other + "] already")),
              () -> alike.add(index));
    }
    return findings.all(where);
  }
}
