package org.oddlantern.check;

import java.time.Duration;
import java.time.temporal.Temporal;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.WantedValue;
import org.oddlantern.schema.Schema;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The shapes a value may have. Wherever a shape may be, a plain value may be too, null included,
 * and means exactly that value. Suites import {@link Checks}, which brings these along.
 *
 * <pre>{@code
 * import static org.oddlantern.check.Checks.*;
 *
 * reply.must(body(including(hive)), at("$.id", wholeNumber()), at("$.removed", missing()));
 * }</pre>
 *
 * <p>Where there is no value at all, every shape fails but {@link #missing()}.
 */
public class Shapes extends ListShapes {

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
    return WantedValue.of(value, ComparisonMode.EXACTLY);
  }

  /**
   * At least these fields with these values, at every depth; lists inside item by item and of the same
   * length.
   *
   * @param value a record, map, list, payload or scalar
   * @return the shape
   */
  public static Shape including(@Nullable Object value) {
    return WantedValue.of(value, ComparisonMode.INCLUDING);
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
    return new KindShape(
        "a value that is there and not null",
        node -> !node.isNull() && !GatheredValues.isNothing(node));
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
    Needed.of(number, "size(number): number");
    return new SizeShape(shape(number));
  }

  /**
   * A text that matches a pattern of {@link Pattern} as a whole.
   *
   * @param regex the pattern; {@code .*} around it lets more be there
   * @return the shape
   * @throws java.util.regex.PatternSyntaxException if it is no pattern
   */
  public static Shape textMatching(String regex) {
    Needed.of(regex, "textMatching(regex): regex");
    return new PatternShape(Pattern.compile(regex));
  }

  /**
   * A number, with a fraction or without.
   *
   * @return the shape
   */
  public static Shape number() {
    return new KindShape("a number", JsonNode::isNumber);
  }

  /**
   * A number, date or moment between two others, both included.
   *
   * @param low the lowest: a number, {@code LocalDate}, {@code LocalDateTime}, {@code Instant} or {@code
   *     OffsetDateTime}
   * @param high the highest, of the same kind
   * @return the shape
   * @throws IllegalArgumentException if they are of different kinds, or the low is above the high
   */
  public static Shape between(Object low, Object high) {
    return Ranges.between(low, high);
  }

  /**
   * A number of at least that value.
   *
   * @param low the lowest
   * @return the shape
   */
  public static Shape atLeast(Number low) {
    Needed.of(low, "atLeast(low): low");
    return new RangeShape("a number of at least " + low, Ranges.decimal(low), null);
  }

  /**
   * A number of at most that value.
   *
   * @param high the highest
   * @return the shape
   */
  public static Shape atMost(Number high) {
    Needed.of(high, "atMost(high): high");
    return new RangeShape("a number of at most " + high, null, Ranges.decimal(high));
  }

  /**
   * A number no farther from another than a tolerance.
   *
   * @param number the number
   * @param tolerance how far it may be, at least 0
   * @return the shape
   */
  public static Shape near(Number number, Number tolerance) {
    Needed.of(number, "near(number, tolerance): number");
    Needed.of(tolerance, "near(number, tolerance): tolerance");
    return Ranges.near(number, tolerance);
  }

  /**
   * A date or moment no farther from another than a tolerance, however it is written.
   *
   * @param moment a {@code LocalDate}, {@code LocalDateTime}, {@code Instant} or {@code OffsetDateTime}
   * @param tolerance how far it may be; zero wants the same moment
   * @return the shape
   */
  public static Shape near(Temporal moment, Duration tolerance) {
    Needed.of(moment, "near(moment, tolerance): moment");
    Needed.of(tolerance, "near(moment, tolerance): tolerance");
    return Ranges.near(moment, tolerance);
  }

  /**
   * Either of JSON's {@code true} and {@code false}.
   *
   * @return the shape
   */
  public static Shape trueOrFalse() {
    return new KindShape("true or false", JsonNode::isBoolean);
  }

  /**
   * Something that is there and has nothing in it: {@code ""}, {@code []} or {@code {}}.
   *
   * @return the shape
   */
  public static Shape empty() {
    return new KindShape(
        "an empty text, list or object",
        node -> node.isContainer()
            ? node.isEmpty()
            : node.isString() && node.stringValue().isEmpty());
  }

  /**
   * One of several values or shapes.
   *
   * @param first a value, or a shape
   * @param second another
   * @param more more of them
   * @return the shape
   */
  public static Shape oneOf(
      @Nullable Object first, @Nullable Object second, @Nullable Object... more) {
    Shape either = shape(first).or(second);
    for (Object other : more) {
      either = either.or(other);
    }
    return either;
  }

  /**
   * Something that is there and does not have that shape.
   *
   * @param value a value, or a shape
   * @return the shape
   */
  public static Shape not(@Nullable Object value) {
    return new NotShape(shape(value));
  }

  /**
   * An object field by field, open to others.
   *
   * @return a shape without fields yet
   */
  public static Fields fields() {
    return new FieldsShape(Map.of(), false);
  }

  /**
   * An object that has these fields, among others, whatever their values.
   *
   * @param first a name
   * @param more more names
   * @return the shape
   */
  public static Shape keysIncluding(String first, String... more) {
    Needed.of(first, "keysIncluding(first, more): first");
    Needed.of(more, "keysIncluding(first, more): more");
    return new FieldNames(Stream.concat(Stream.of(first), Stream.of(more)).toList(), false);
  }

  /**
   * An object that has these fields and no others, whatever their values.
   *
   * @param first a name
   * @param more more names
   * @return the shape
   */
  public static Shape onlyKeys(String first, String... more) {
    Needed.of(first, "onlyKeys(first, more): first");
    Needed.of(more, "onlyKeys(first, more): more");
    return new FieldNames(Stream.concat(Stream.of(first), Stream.of(more)).toList(), true);
  }

  /**
   * A date as ISO 8601 writes it: {@code 2026-03-12} (RFC 3339, full-date).
   *
   * @return the shape
   */
  public static Shape date() {
    return new KindShape("a date like 2026-03-12", Formats::isDate);
  }

  /**
   * A date and time with its offset: {@code 2026-03-12T10:15:30Z} (RFC 3339, date-time).
   *
   * @return the shape
   */
  public static Shape dateTime() {
    return new KindShape("a date and time like 2026-03-12T10:15:30Z", Formats::isDateTime);
  }

  /**
   * A UUID in its usual writing (RFC 9562, section 4).
   *
   * @return the shape
   */
  public static Shape uuid() {
    return new KindShape("a UUID", Formats::isUuid);
  }

  /**
   * An e-mail address by the rule of {@code format: email} (RFC 5321, section 4.1.2).
   *
   * @return the shape
   */
  public static Shape email() {
    return new KindShape("an e-mail address", Formats::isEmail);
  }

  /**
   * What fits a JSON Schema.
   *
   * <pre>{@code
   * beeyard.send(Call.get("/hives/{id}", id)).must(status(200), body(schema("schemas/hive.json")));
   * }</pre>
   *
   * @param name a file, JSON or YAML: on the class path of the suites, then in the folder of the settings
   *     file; after a {@code #} a JSON Pointer reaches into a larger document, as in
   *     {@code openapi.yaml#/components/schemas/Hive}; or a URL of a host that the settings allow
   * @return the shape
   * @throws org.oddlantern.schema.SchemaProblem if the schema cannot be used
   * @throws IllegalArgumentException if there is no such file
   */
  public static Shape schema(String name) {
    Needed.of(name, "schema(name): name");
    return Schema.named(name);
  }

  /**
   * The shape a value stands for.
   *
   * @param value a shape, or a plain value
   * @return the shape itself, or exactly that value
   * @throws IllegalArgumentException if it is a check
   */
  static NodeShape shape(@Nullable Object value) {
    return NodeShape.of(value);
  }
}
