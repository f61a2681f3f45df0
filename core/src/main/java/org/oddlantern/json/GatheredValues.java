package org.oddlantern.json;

import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

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
}
