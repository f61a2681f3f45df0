package org.oddlantern.json;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.StringNode;

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
    List<JsonNode> readings = TextReadings.of(stringValue());
    JsonNode last = readings.get(readings.size() - 1);
    return last.getNodeType() == wanted.getNodeType() ? last : readings.get(0);
  }

  /** The findings of a shape that knows kinds: none if one reading has it, else those of the text. */
  List<Finding> examined(Shape shape, Location where) {
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
