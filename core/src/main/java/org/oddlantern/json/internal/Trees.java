package org.oddlantern.json.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** From what users see of a value to the tree that all inside works with. */
public final class Trees {

  private Trees() {}

  /**
   * The tree of a value.
   *
   * @param json the value
   * @return its tree, which is not to be changed
   */
  public static JsonNode of(Json json) {
    return json.as(JsonNode.class);
  }

  /**
   * The child of a value that a step leads to.
   *
   * @param step a place, of which the last step counts
   * @param value the value around it
   * @return the child; null if there is none
   */
  static @Nullable JsonNode at(Location step, JsonNode value) {
    return step.index() >= 0 ? value.get(step.index()) : value.get(step.name());
  }
}
