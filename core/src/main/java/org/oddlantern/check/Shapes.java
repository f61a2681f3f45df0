package org.oddlantern.check;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.Check;
import org.oddlantern.json.Comparison;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;

/**
 * The shapes a value may have. Wherever a shape may stand, a plain value may stand too, null included,
 * and means exactly that value. Suites import {@link Checks}, which brings these along.
 *
 * <pre>{@code
 * import static org.oddlantern.check.Checks.*;
 *
 * reply.must(body(including(hive)), at("$.id", wholeNumber()), at("$.removed", missing()));
 * }</pre>
 *
 * <p>No shape holds where nothing is, except {@link #missing()}.
 */
public class Shapes {

  /** Only {@link Checks} extends this. */
  Shapes() {}

  /**
   * Exactly that value, compared as on the wire: numbers by value, fields in any order, no field more
   * and none less.
   *
   * @param value a record, map, list, payload or scalar; null is JSON's null
   * @return the shape
   */
  public static Shape exactly(@Nullable Object value) {
    return new WantedValue(refusingChecks(value), Comparison.EXACTLY);
  }

  /**
   * At least these fields with these values, at every depth; lists inside item by item and of the same
   * length.
   *
   * @param value a record, map, list, payload or scalar
   * @return the shape
   */
  public static Shape including(@Nullable Object value) {
    return new WantedValue(refusingChecks(value), Comparison.INCLUDING);
  }

  /**
   * A text, even an empty one.
   *
   * @return the shape
   */
  public static Shape anyText() {
    return new KindShape("a text", node -> node.isString());
  }

  /**
   * A number without a fraction, however it is written: {@code 4}, {@code 4.0} and {@code 4e0} are one.
   *
   * @return the shape
   */
  public static Shape wholeNumber() {
    return new KindShape("a whole number", WholeNumbers::isWhole);
  }

  /**
   * A value that is there and not null.
   *
   * @return the shape
   */
  public static Shape anyValue() {
    return new KindShape("a value that is there and not null", node -> !node.isNull());
  }

  /**
   * Nothing at all: the field or item is not there. JSON's null is something.
   *
   * @return the shape
   */
  public static Shape missing() {
    return new MissingShape();
  }

  /**
   * How many: the items of a list, the fields of an object, the code points of a text.
   *
   * @param number a number, or a shape for it
   * @return the shape
   */
  public static Shape size(Object number) {
    return new SizeShape(shape(number));
  }

  /**
   * A list whose every item has that shape; every item that does not is told. It does not hold over an
   * empty list.
   *
   * @param item a value, or a shape
   * @return the shape
   */
  public static Shape eachItem(@Nullable Object item) {
    return new EachItemShape(shape(item));
  }

  /**
   * The shape a value stands for.
   *
   * @param value a shape, or a plain value
   * @return the shape itself, or exactly that value
   * @throws IllegalArgumentException if it is a check
   */
  static Shape shape(@Nullable Object value) {
    return value instanceof Shape shape ? shape : exactly(value);
  }

  private static @Nullable Object refusingChecks(@Nullable Object value) {
    if (value instanceof Check check) {
      throw new IllegalArgumentException("the check " + check.words()
          + " was given where a value or a shape is wanted; give it to must(...) by itself");
    }
    if (value instanceof Shape shape) {
      throw new IllegalArgumentException("the shape '" + shape.words()
          + "' was given where a plain value is wanted; a shape stands by itself");
    }
    return value;
  }

  /** A value to compare with. */
  private record WantedValue(@Nullable Object value, Comparison comparison) implements Shape {
    @Override
    public String words() {
      String text = Words.of(JsonMapping.standard().tree(value));
      return comparison == Comparison.EXACTLY ? text : "at least " + text;
    }

    @Override
    public List<Finding> differences(Location where, JsonNode got) {
      return comparison.differences(where, JsonMapping.standard().tree(value), got);
    }
  }
}
