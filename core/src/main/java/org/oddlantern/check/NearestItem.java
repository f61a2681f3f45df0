package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The item of a list that is nearest to a shape, by how little keeps it from having it. */
record NearestItem(int index, JsonNode item, List<Finding> findings, int looked) {

  private static final int MOST_LOOKED_AT = 300;
  private static final int SHOWN = 3;

  static NearestItem of(NodeShape shape, JsonNode list, List<Integer> candidates) {
    NearestItem nearest =
        new NearestItem(-1, list, List.of(), Math.min(candidates.size(), MOST_LOOKED_AT));
    for (int index : candidates.subList(0, nearest.looked)) {
      JsonNode item = list.get(index);
      List<Finding> findings =
          shape.examine(Location.ROOT.child(index).knownAs(Identity.of(item)), item);
      if (isNear(findings, item)
          && (nearest.index < 0 || findings.size() < nearest.findings.size())) {
        nearest = new NearestItem(index, item, findings, nearest.looked);
      }
    }
    return nearest;
  }

  /** What keeps even the nearest item from being the one wanted. */
  Finding finding(Location where, NodeShape wanted) {
    Finding finding = Finding.of(where, wanted.words(), "no such item");
    if (index < 0) {
      return finding;
    }
    String identity = Identity.of(item);
    finding =
        finding.hint("the nearest is [" + index + "]" + (identity.isEmpty() ? "" : " " + identity));
    for (Finding difference : findings.subList(0, Math.min(SHOWN, findings.size()))) {
      String inside = difference.where().replaceFirst("^\\$\\[\\d+]\\.?", "");
      finding = finding.hint("  there " + (inside.isEmpty() ? "" : inside + " ") + "is "
          + difference.got() + ", wanted " + difference.wanted());
    }
    return finding;
  }

  /** An object of which most differs is another, not a near one; so is another scalar. */
  private static boolean isNear(List<Finding> findings, JsonNode item) {
    return item.isContainer()
        ? findings.size() * 2 <= Math.max(2, item.size())
        : findings.size() == 1 && !findings.get(0).hints().isEmpty();
  }
}
