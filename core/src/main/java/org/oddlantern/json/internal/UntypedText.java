package org.oddlantern.json.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/**
 * A text that came without a kind, since headers, cookies and XML hold nothing else. Each shape that asks
 * about a kind reads it as that kind if it can: {@code 5} is a number to {@code number()}, and so it is
 * none to {@code not(number())}. Immutable.
 */
public final class UntypedText extends StringNode {

  private static final long serialVersionUID = 1L;

  private final boolean oneOfMany;

  private UntypedText(String text, boolean oneOfMany) {
    super(text);
    this.oneOfMany = oneOfMany;
  }

  /**
   * A text by itself.
   *
   * @param text the text
   * @return the value
   */
  public static UntypedText of(String text) {
    return new UntypedText(text, false);
  }

  /**
   * The text of the only one that was found of what might have been many; shapes of lists take it for a
   * list of one.
   *
   * @param text the text
   * @return the value
   */
  public static UntypedText ofOnlyOne(String text) {
    return new UntypedText(text, true);
  }

  /**
   * The list that a value is to a shape of lists.
   *
   * @param value any value
   * @return a list of one for {@link #ofOnlyOne}, else the value itself
   */
  public static JsonNode asList(JsonNode value) {
    return value instanceof UntypedText text && text.oneOfMany
        ? UntypedTexts.of(List.of(text.stringValue()))
        : value;
  }

  /**
   * Whether a value is made of such texts, as CSV is, where no text has a kind; the first tells of all.
   *
   * @param value any value
   * @return true if it is one, or the first text or number in it is one
   */
  public static boolean isIn(JsonNode value) {
    return value instanceof UntypedText || Boolean.TRUE.equals(firstIn(value));
  }

  /** Whether the first is one; null if there is none. */
  private static @Nullable Boolean firstIn(JsonNode value) {
    if (!value.isContainer()) {
      return value instanceof UntypedText;
    }
    for (JsonNode child : value) {
      Boolean first = firstIn(child);
      if (first != null) {
        return first;
      }
    }
    return null;
  }

  /**
   * A value in which each text, whether it came with a kind or not, is what it can be read as. Values that
   * may be equal, depending on how texts are read, are equal then.
   *
   * @param value any value
   * @return the value so read
   */
  public static JsonNode readIn(JsonNode value) {
    return changed(value, null, (node, wanted) -> node.isString() ? read(node) : node);
  }

  /** A value in which texts without a kind have that of what is wanted in their place. */
  static JsonNode readLike(JsonNode wanted, JsonNode value) {
    return changed(
        value,
        wanted,
        (node, like) -> node instanceof UntypedText text && like != null ? text.as(like) : node);
  }

  /** The number or truth that a text reads as, or the text. */
  private static JsonNode read(JsonNode text) {
    List<JsonNode> readings = TextReadings.of(text.stringValue());
    return readings.get(readings.size() - 1);
  }

  /** Lists are mostly of one kind of item, wherever each of them belongs. */
  private static JsonNode changed(
      JsonNode value,
      @Nullable JsonNode wanted,
      BiFunction<JsonNode, @Nullable JsonNode, JsonNode> change) {
    if (value instanceof ObjectNode object) {
      ObjectNode changed = object.objectNode();
      object
          .properties()
          .forEach(member -> changed.set(
              member.getKey(),
              changed(
                  member.getValue(), wanted == null ? null : wanted.get(member.getKey()), change)));
      return changed;
    }
    if (value instanceof ArrayNode list) {
      ArrayNode changed = list.arrayNode();
      for (int i = 0; i < list.size(); i++) {
        JsonNode like = wanted == null ? null : wanted.get(Math.min(i, wanted.size() - 1));
        changed.add(changed(list.get(i), like, change));
      }
      return changed;
    }
    return change.apply(value, wanted);
  }

  /**
   * The number it reads as.
   *
   * @param value any value
   * @return the number if the value is a text without a kind and reads as one, else the value itself
   */
  public static JsonNode asNumber(JsonNode value) {
    JsonNode read = value instanceof UntypedText ? read(value) : value;
    return read.isNumber() ? read : value;
  }

  /**
   * A value as it is compared with another.
   *
   * @param value any value, or null where nothing is
   * @param other what it is compared with
   * @return a text without a kind as the kind of the other, and as a number if both can be numbers; else the
   *     value itself
   */
  public static @Nullable JsonNode beside(@Nullable JsonNode value, @Nullable JsonNode other) {
    return value instanceof UntypedText text && other != null ? text.as(asNumber(other)) : value;
  }

  /** Whether it can be read as that value. */
  boolean means(JsonNode wanted) {
    if (wanted.isArray()) {
      return oneOfMany && wanted.size() == 1 && Equality.same(wanted.get(0), of(stringValue()));
    }
    for (JsonNode reading : TextReadings.of(stringValue())) {
      if (Equality.same(wanted, reading)) {
        return true;
      }
    }
    return false;
  }

  /** As the kind of a value that is wanted, if it can be read so; else as text. */
  JsonNode as(JsonNode wanted) {
    JsonNode read = read(this);
    return read.getNodeType() == wanted.getNodeType() ? read : StringNode.valueOf(stringValue());
  }

  /** The findings of a shape that knows kinds: none if one reading has it, else those of the text. */
  public List<Finding> examined(NodeShape shape, Location where) {
    List<Finding> first = List.of();
    for (JsonNode reading : readings()) {
      List<Finding> findings = shape.differences(where, reading);
      if (findings.isEmpty()) {
        return findings;
      }
      first = first.isEmpty() ? findings : first;
    }
    return first;
  }

  private List<JsonNode> readings() {
    List<JsonNode> readings = new ArrayList<>(TextReadings.of(stringValue()));
    if (oneOfMany) {
      for (JsonNode reading : List.copyOf(readings)) {
        ArrayNode list = JsonNodeFactory.instance.arrayNode();
        readings.add(list.add(reading));
      }
    }
    return readings;
  }
}
