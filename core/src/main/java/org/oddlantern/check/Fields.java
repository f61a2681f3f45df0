package org.oddlantern.check;

import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Shape;

/**
 * An object field by field; other fields may be there unless it is closed with {@link #only()}. Made by
 * {@link Shapes#fields()}. Immutable and thread-safe.
 *
 * <pre>{@code
 * body(fields().with("id", wholeNumber()).with("label", "Foxglove").with("removed", missing()))
 * }</pre>
 */
public sealed interface Fields extends Shape permits FieldsShape {
  /**
   * With one more field.
   *
   * @param name the name of the field, as it is
   * @param value a value, or a shape
   * @return the shape
   */
  Fields with(String name, @Nullable Object value);

  /**
   * The same, and no other fields.
   *
   * @return the shape
   */
  Fields only();
}
