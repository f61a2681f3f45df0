package org.oddlantern.json;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.CombinedShapes;
import org.oddlantern.json.internal.NodeShape;

/**
 * What a value looks like. Shapes come from {@code org.oddlantern.check.Shapes}; one of your own is a
 * class with two methods:
 *
 * <pre>{@code
 * record EvenNumber() implements Shape {
 *     public String words() { return "an even number"; }
 *     public List<Finding> differences(Location where, Json value) {
 *         return value.isIntegralNumber() && value.asLong() % 2 == 0
 *                 ? List.of() : List.of(Finding.of(where, words(), value.toString()));
 *     }
 * }
 * }</pre>
 *
 * <p>Implementations are immutable and safe to use from several threads, and never throw for a value
 * that does not fit.
 */
public interface Shape extends Worded {

  /**
   * The shape in words, as they follow "wanted": {@code a whole number}.
   *
   * @return the words; never blank
   */
  @Override
  String words();

  /**
   * Everything about a value that is not as wanted.
   *
   * @param where the place of the value, for the findings
   * @param value the value, which is there (it may be JSON's null)
   * @return the findings; empty when the shape holds
   */
  List<Finding> differences(Location where, Json value);

  /**
   * Both this shape and another.
   *
   * @param other a shape, or a plain value
   * @return the shape that holds where both do
   */
  default Shape and(@Nullable Object other) {
    return CombinedShapes.All.of(NodeShape.of(this), NodeShape.of(other));
  }

  /**
   * This shape or another.
   *
   * @param other a shape, or a plain value
   * @return the shape that holds where one or both do
   */
  default Shape or(@Nullable Object other) {
    return CombinedShapes.Any.of(NodeShape.of(this), NodeShape.of(other));
  }

  /**
   * The shape a value stands for.
   *
   * @param value a shape, or a plain value
   * @return the shape itself, or exactly that value
   * @throws IllegalArgumentException if it is a check, or cannot be written as JSON
   */
  static Shape of(@Nullable Object value) {
    return value instanceof Shape shape ? shape : NodeShape.of(value);
  }
}
