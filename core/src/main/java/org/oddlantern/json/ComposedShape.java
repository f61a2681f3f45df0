package org.oddlantern.json;

import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * A shape made of shapes or values, which are what decides how a text without a kind is read: a negation
 * must not choose another reading than what it negates.
 */
public interface ComposedShape extends Shape {

  @Override
  default List<Finding> examine(Location where, JsonNode value) {
    return value.isMissingNode()
        ? List.of(Finding.of(where, words(), "nothing: there is no such value"))
        : differences(where, value);
  }
}
