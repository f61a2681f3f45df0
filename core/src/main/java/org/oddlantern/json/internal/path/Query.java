package org.oddlantern.json.internal.path;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The steps of a path, from the root or, inside a filter, from the value at hand.
 *
 * @param relative whether it begins with {@code @}
 * @param segments the steps
 */
public record Query(boolean relative, List<Segment> segments) {

  /** Whether it leads to one place at most, as its writing tells (RFC 9535, section 2.3.5.1). */
  public boolean isSingular() {
    for (Segment segment : segments) {
      if (!segment.isSingular()) {
        return false;
      }
    }
    return true;
  }

  /** Everything it finds, in order. */
  public List<FoundNode> find(JsonNode current, Search search) {
    List<FoundNode> found =
        List.of(new FoundNode(Location.ROOT, relative ? current : search.root()));
    for (Segment segment : segments) {
      if (found.isEmpty()) {
        break;
      }
      found = segment.follow(found, search);
    }
    return found;
  }

  /** The values of everything it finds, in order. */
  public List<JsonNode> values(JsonNode current, Search search) {
    List<JsonNode> found = List.of(relative ? current : search.root());
    for (Segment segment : segments) {
      if (found.isEmpty()) {
        break;
      }
      found = segment.values(found, search);
    }
    return found;
  }

  /** The one value of a singular query; null if there is none. */
  public @Nullable JsonNode one(JsonNode current, Search search) {
    JsonNode value = relative ? current : search.root();
    for (Segment segment : segments) {
      search.spend();
      value = segment.single().pick(value);
      if (value == null) {
        return null;
      }
    }
    return value;
  }
}
