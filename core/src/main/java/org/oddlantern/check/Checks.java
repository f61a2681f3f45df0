package org.oddlantern.check;

import org.jspecify.annotations.Nullable;
import org.oddlantern.http.Check;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Words;

/**
 * The questions a suite puts to evidence; one import brings them and the shapes:
 *
 * <pre>{@code
 * import static org.oddlantern.check.Checks.*;
 *
 * beeyard.send(Call.get("/hives/{id}", id))
 *         .must(status(200), contentType("application/json"), at("$.label", "Foxglove"));
 * }</pre>
 *
 * <p>Checks are immutable and safe to use from several threads.
 */
public final class Checks extends Shapes {

  private Checks() {}

  /**
   * The status is that one.
   *
   * @param code the status code wanted
   * @return the check
   */
  public static Check status(int code) {
    return new StatusCheck("status(" + code + ")", String.valueOf(code), exactly(code));
  }

  /**
   * The status is of that class (RFC 9110, section 15).
   *
   * @param family {@code "1xx"} to {@code "5xx"}
   * @return the check
   * @throws IllegalArgumentException if it is no such class
   */
  public static Check status(String family) {
    if (!family.matches("[1-5]xx")) {
      throw new IllegalArgumentException(
          "status(\"" + family + "\"): wanted a number, or one of 1xx, 2xx, 3xx, 4xx, 5xx");
    }
    int hundred = family.charAt(0) - '0';
    return new StatusCheck(
        "status(\"" + family + "\")",
        family,
        new KindShape(family, node -> node.asInt() / 100 == hundred));
  }

  /**
   * There is such a header.
   *
   * @param name the name, in any case
   * @return the check
   */
  public static Check header(String name) {
    return new HeaderCheck("header(\"" + name + "\")", name, anyText());
  }

  /**
   * A header has that value, or one of its values has if it is repeated.
   *
   * @param name the name, in any case
   * @param value a text, or a shape; {@link #missing()} wants no such header
   * @return the check
   */
  public static Check header(String name, Object value) {
    return new HeaderCheck(words("header", name, value), name, shape(value));
  }

  /**
   * The reply sets a cookie of that name.
   *
   * @param name the name
   * @return the check
   */
  public static Check cookie(String name) {
    return new CookieCheck("cookie(\"" + name + "\")", name, anyText());
  }

  /**
   * The reply sets a cookie of that name with that value.
   *
   * @param name the name
   * @param value a text, or a shape; {@link #missing()} wants no such cookie
   * @return the check
   */
  public static Check cookie(String name, Object value) {
    return new CookieCheck(words("cookie", name, value), name, shape(value));
  }

  /**
   * There is no body at all: zero bytes.
   *
   * @return the check
   */
  public static Check noBody() {
    return new NoBodyCheck();
  }

  /**
   * The body has that content type; parameters such as the character set do not count unless given.
   *
   * @param type a media type, like {@code application/json}
   * @return the check
   */
  public static Check contentType(String type) {
    return new ContentTypeCheck(type);
  }

  /**
   * The whole JSON body has that shape.
   *
   * @param shape a value, or a shape
   * @return the check
   */
  public static Check body(@Nullable Object shape) {
    return new PathCheck("body(" + argument(shape) + ")", JsonPath.of("$"), shape(shape));
  }

  /**
   * What a path of the JSON body leads to has that shape. A path to one place gives the value there; a
   * path to many gives the list of what it found, even of one or none.
   *
   * @param path a path (RFC 9535)
   * @param shape a value, or a shape
   * @return the check
   * @throws IllegalArgumentException if the path cannot be read
   */
  public static Check at(String path, @Nullable Object shape) {
    return new PathCheck(words("at", path, shape), JsonPath.of(path), shape(shape));
  }

  /** Joined by hand: every check is told in words, and a formatter is ten times as slow. */
  private static String words(String check, String place, @Nullable Object shape) {
    return check + "(\"" + place + "\", " + argument(shape) + ")";
  }

  private static String argument(@Nullable Object shape) {
    if (shape instanceof Number || shape instanceof Boolean) {
      return shape.toString();
    }
    if (shape instanceof String text) {
      return Words.quoted(text);
    }
    return shape instanceof Shape known
        ? known.words()
        : Words.cut(JsonMapping.standard().write(shape));
  }
}
