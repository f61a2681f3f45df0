package org.oddlantern.json.internal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A shape as everything inside asks it: of trees, and of places that may be empty. */
public interface NodeShape extends Shape {

  /**
   * Everything about a value that is not as wanted.
   *
   * @param where the place of the value, for the findings
   * @param value the value, which is there
   * @return the findings; empty when the shape holds
   */
  List<Finding> differences(Location where, JsonNode value);

  @Override
  default List<Finding> differences(Location where, Json value) {
    return differences(where, value.as(JsonNode.class));
  }

  /**
   * Examines a place that may be empty. Nothing there is a finding for every shape but the one that
   * wants nothing there.
   *
   * @param where the place
   * @param value the value, or a missing node
   * @return the findings; empty when the shape holds
   */
  default List<Finding> examine(Location where, JsonNode value) {
    if (value.isMissingNode()) {
      return List.of(Finding.nothing(where, words(), "there is no such value"));
    }
    if (value instanceof UntypedText text) {
      return text.examined(this, where);
    }
    return value instanceof UntypedTexts texts
        ? texts.examined(this, where)
        : differences(where, value);
  }

  /**
   * The same, the values that are wanted in it written as a mapping writes them.
   *
   * @param mapping how
   * @return the shape
   */
  default NodeShape by(JsonMapping mapping) {
    return this;
  }

  /**
   * The shape a value stands for.
   *
   * @param value a shape, of a user's own too, or a plain value
   * @return the shape itself, or exactly that value
   * @throws IllegalArgumentException if it is a check, or cannot be written as JSON
   */
  static NodeShape of(@Nullable Object value) {
    if (value instanceof NodeShape ours) {
      return ours;
    }
    return value instanceof Shape others
        ? new Others(others)
        : WantedValue.of(value, ComparisonMode.EXACTLY);
  }

  /**
   * A shape that knows no trees.
   *
   * @param shape the shape
   */
  record Others(Shape shape) implements NodeShape {

    @Override
    public String words() {
      return shape.words();
    }

    @Override
    public List<Finding> differences(Location where, JsonNode value) {
      return shape.differences(where, Json.of(value));
    }

    @Override
    public List<Finding> differences(Location where, Json value) {
      return shape.differences(where, value);
    }

    @Override
    public String toString() {
      return shape.toString();
    }
  }
}
