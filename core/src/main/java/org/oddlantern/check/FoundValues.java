package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.json.Found;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The places of what a path found. */
record FoundValues(JsonPath path, List<Found> found) {

  /** The place of the whole, each item with what the list item around it is known by. */
  Location identified(JsonNode root) {
    List<Location> places = new ArrayList<>(found.size());
    for (Found one : found) {
      places.add(one.where().knownAs(Identity.around(root, one.where())));
    }
    return Location.gathered(path.toString(), places);
  }
}
