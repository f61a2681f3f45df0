package org.oddlantern.json.internal;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** The values at the many places that a path led to, which are no list by themselves. */
public class GatheredValues extends ArrayNode {

  private static final long serialVersionUID = 1L;

  /**
   * Values as they were found.
   *
   * @param values the values
   */
  public GatheredValues(List<JsonNode> values) {
    super(JsonNodeFactory.instance, values);
  }

  /**
   * Whether a value is what no place holds, since the path led to none: over that only those shapes hold
   * that want nothing, since it may be the path that is wrong.
   *
   * @param value any value
   * @return true if so
   */
  public static boolean isNothing(JsonNode value) {
    return value instanceof GatheredValues && value.isEmpty();
  }

  /**
   * What is told where a shape wants something.
   *
   * @param where the path
   * @param words the shape in words
   * @return the finding
   */
  public static List<Finding> nothing(Location where, String words) {
    return List.of(Finding.nothing(where, words, "over no value at all this would prove nothing")
        .hint("size(0) wants nothing to be there, and so does missing()"));
  }
}
