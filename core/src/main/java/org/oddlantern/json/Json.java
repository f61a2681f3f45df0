package org.oddlantern.json;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A JSON value (RFC 8259): an object, an array, a text, a number, true, false or null. Immutable and
 * thread-safe. Two are equal if they are the same JSON: {@code 1} is {@code 1.0}, and the members of an
 * object have no order.
 *
 * <pre>{@code
 * Json hive = reply.json();
 * hive.at("$.label").map(Json::text)        // Optional[Foxglove]
 * hive.all("$.inspections[*].frames")       // the numbers
 * hive.as(Hive.class)                       // a record
 * }</pre>
 */
public final class Json {

  /** What kind of value it is. */
  public enum Kind {
    /** Members with names. */
    OBJECT,
    /** Items in an order. */
    ARRAY,
    /** A string. */
    TEXT,
    /** A number, of any size and precision. */
    NUMBER,
    /** True or false. */
    TRUTH,
    /** JSON's null, which is a value. */
    NULL
  }

  private final JsonNode node;

  private Json(JsonNode node) {
    this.node = node;
  }

  /**
   * Reads a document.
   *
   * @param text one JSON document
   * @return its value
   * @throws NotJson if it is not JSON, with line and column
   */
  public static Json parse(String text) {
    Needed.of(text, "parse(text): text");
    return new Json(JsonMapping.standard().parse(text));
  }

  /**
   * The JSON of a value, as it would travel.
   *
   * @param value a record, map, list, array, scalar or {@code Json}, or a tree of the project's own Jackson;
   *     null is JSON's null
   * @return the value
   * @throws IllegalArgumentException if it cannot be written as JSON
   */
  public static Json of(@Nullable Object value) {
    return value instanceof Json json
        ? json
        : new Json(
            value instanceof JsonNode node ? node : JsonMapping.standard().tree(value));
  }

  /**
   * What kind of value it is.
   *
   * @return the kind
   */
  public Kind kind() {
    return switch (node.getNodeType()) {
      case OBJECT -> Kind.OBJECT;
      case ARRAY -> Kind.ARRAY;
      case NUMBER -> Kind.NUMBER;
      case BOOLEAN -> Kind.TRUTH;
      case NULL, MISSING -> Kind.NULL;
      default -> Kind.TEXT;
    };
  }

  /**
   * The value at a path.
   *
   * @param path a path that leads to one place (RFC 9535, singular query)
   * @return the value; empty if there is none
   * @throws IllegalArgumentException if it is no path, or leads to many places
   */
  public Optional<Json> at(String path) {
    TreePath parsed = TreePath.of(path);
    parsed.steps();
    JsonNode found = parsed.findOne(node).value();
    return found.isMissingNode() ? Optional.empty() : Optional.of(new Json(found));
  }

  /**
   * All that a path leads to.
   *
   * @param path a path (RFC 9535)
   * @return the values in the order of the document; empty if there are none
   * @throws BadPath if it is no path
   */
  public List<Json> all(String path) {
    return TreePath.of(path).values(node).stream().map(Json::new).toList();
  }

  /**
   * The names of an object's members, in their order.
   *
   * @return the names; empty for all that is no object
   */
  public Set<String> names() {
    return new LinkedHashSet<>(node.propertyNames());
  }

  /**
   * The items of an array, or the values of an object's members, in their order.
   *
   * @return the values; empty for all else
   */
  public List<Json> items() {
    List<Json> items = new ArrayList<>(node.size());
    node.forEach(item -> items.add(new Json(item)));
    return items;
  }

  /**
   * How many items or members there are.
   *
   * @return 0 for all that is neither array nor object
   */
  public int size() {
    return node.size();
  }

  /**
   * The text that it is.
   *
   * @return the text
   * @throws IllegalStateException if it is no text, saying what it is
   */
  public String text() {
    if (!node.isString()) {
      throw new IllegalStateException("wanted a text, got " + Words.withKind(node));
    }
    return node.stringValue();
  }

  /**
   * The number that it is.
   *
   * @return the number, without loss
   * @throws IllegalStateException if it is no number, saying what it is
   */
  public BigDecimal number() {
    if (!node.isNumber()) {
      throw new IllegalStateException("wanted a number, got " + Words.withKind(node));
    }
    return node.decimalValue();
  }

  /**
   * The value read as a type, as {@code valueAt} reads it.
   *
   * @param <T> the type wanted
   * @param type the type wanted
   * @return the value; null only where this is JSON's null
   * @throws IllegalArgumentException if it does not fit the type, saying what does not
   */
  public <T> T as(Class<T> type) {
    if (type == JsonNode.class) {
      return type.cast(node);
    }
    Needed.of(type, "as(type): type");
    try {
      return JsonMapping.standard().read(node, type);
    } catch (TypeMismatch e) {
      throw new IllegalArgumentException(e.getMessage(), e);
    }
  }

  /**
   * The value as compact JSON text.
   *
   * @return the text
   */
  public String written() {
    return JsonMapping.standard().write(node);
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Json json && Equality.same(node, json.node);
  }

  @Override
  public int hashCode() {
    return Long.hashCode(Equality.fingerprint(node));
  }

  @Override
  public String toString() {
    return written();
  }
}
