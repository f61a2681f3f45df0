package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The places of what a path found. */
record FoundValues(TreePath path, List<FoundNode> found) {

  /** The place of the whole, each item with what the list item around it is known by. */
  Location identified(JsonNode root) {
    List<Location> places = new ArrayList<>(found.size());
    for (FoundNode one : found) {
      places.add(one.where().knownAs(Identity.around(root, one.where())));
    }
    return Location.gathered(path.toString(), places);
  }
}
