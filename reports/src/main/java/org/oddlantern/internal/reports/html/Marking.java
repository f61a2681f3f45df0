package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.Finding;

/**
 * What does not hold on which line of a body. What is missing stands where it would have been: on the line
 * of the nearest place around it.
 */
final class Marking {

  private final Places places;
  private final Map<String, Integer> lines = new HashMap<>();
  private final Map<Integer, List<BodyView.Difference>> differences = new HashMap<>();

  private Marking(Places places) {
    this.places = places;
  }

  static Marking of(LaidOut laidOut, Places places, List<Finding> findings) {
    Marking marking = new Marking(places);
    for (int i = 0; !findings.isEmpty() && i < laidOut.lines().size(); i++) {
      marking.lines.putIfAbsent(laidOut.lines().get(i).where(), i);
    }
    for (Finding finding : findings) {
      List<String> each = finding.places().isEmpty() ? List.of(finding.where()) : finding.places();
      each.forEach(place -> marking.mark(place, finding.wanted()));
    }
    return marking;
  }

  boolean isEmpty() {
    return differences.isEmpty();
  }

  List<BodyView.Difference> at(int line) {
    return differences.getOrDefault(line, List.of());
  }

  private void mark(String named, String wanted) {
    String place = places.laidOut(named);
    String there = place;
    while (!there.isEmpty() && !lines.containsKey(there)) {
      there = places.around(there);
    }
    Integer line = lines.get(there);
    String inside = place.substring(there.length());
    // of the whole body the findings above it tell enough
    if (line == null || there.isEmpty() || line == 0 && inside.isEmpty()) {
      return;
    }
    BodyView.Difference difference =
        new BodyView.Difference(inside.isEmpty() ? wanted : places.told(inside) + ": " + wanted);
    List<BodyView.Difference> here = differences.computeIfAbsent(line, number -> new ArrayList<>());
    if (!here.contains(difference)) {
      here.add(difference);
    }
  }
}
