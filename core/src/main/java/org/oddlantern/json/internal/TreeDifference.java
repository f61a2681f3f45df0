package org.oddlantern.json.internal;

import java.util.LinkedHashSet;
import java.util.Set;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Where two trees differ, without a word about how. */
public final class TreeDifference {

  private final Set<String> places = new LinkedHashSet<>();

  private TreeDifference() {}

  /**
   * The places at which two trees differ: the deepest that tell them apart.
   *
   * @param one a tree
   * @param other another
   * @return the places as paths; empty if they are the same
   */
  public static Set<String> places(JsonNode one, JsonNode other) {
    TreeDifference difference = new TreeDifference();
    if (!one.equals(other)) {
      difference.compare(one, other, Location.ROOT);
    }
    return difference.places;
  }

  private void compare(JsonNode one, JsonNode other, Location at) {
    if (one.isObject() && other.isObject()) {
      Set<String> names = new LinkedHashSet<>(one.propertyNames());
      names.addAll(other.propertyNames());
      names.forEach(name -> compare(one.path(name), other.path(name), at.child(name)));
    } else if (one.isArray() && other.isArray() && one.size() == other.size()) {
      for (int i = 0; i < one.size(); i++) {
        compare(one.path(i), other.path(i), at.child(i));
      }
    } else if (!one.equals(other)) {
      places.add(at.toString());
    }
  }
}
