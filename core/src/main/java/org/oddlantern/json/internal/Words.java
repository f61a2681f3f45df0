package org.oddlantern.json.internal;

import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.util.Collection;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** How values are told in messages: compact JSON with its kind, cut at a limit that is said. */
public final class Words {

  /** Characters of a value shown in a message before it is cut. */
  public static final int LIMIT = 200;

  private static final int NAMES = 12;

  private Words() {}

  /**
   * A value in a message: compact JSON, cut if long.
   *
   * @param node the value; a missing node is "nothing"
   * @return the text
   */
  public static String of(JsonNode node) {
    if (node.isMissingNode()) {
      return "nothing";
    }
    if (node.isNumber()) {
      return number(node);
    }
    if (node.isString()) {
      return quoted(node.stringValue());
    }
    if (node.isPojo()) {
      return Embedded.shape(node).words();
    }
    if (node.isContainer()) {
      return ShortJson.of(node, LIMIT);
    }
    return cut(Visible.of(JsonMapping.standard().write(node)));
  }

  /** A number as it is; one with a huge exponent keeps it, since its digits would fill pages. */
  private static String number(JsonNode node) {
    if (node.isIntegralNumber()) {
      return cut(node.asString());
    }
    BigDecimal number = Decimals.of(node);
    return Math.abs((long) number.scale()) > LIMIT
        ? cut(number.toString())
        : cut(number.toPlainString());
  }

  /**
   * A text in quotes, as JSON writes it; cut if long.
   *
   * @param text the text
   * @return the quoted text
   */
  public static String quoted(String text) {
    boolean plain = text.length() < LIMIT;
    for (int i = 0; plain && i < text.length(); i++) {
      char c = text.charAt(i);
      plain = c >= ' ' && c < 0x7f && c != '"' && c != '\\';
    }
    return plain ? '"' + text + '"' : cut(Visible.of(JsonMapping.standard().write(text)));
  }

  /**
   * A value with its kind, where the kind alone may be the difference: {@code "4" (text)}.
   *
   * @param node the value
   * @return the text
   */
  public static String withKind(JsonNode node) {
    return node.isMissingNode() || node.isNull() ? of(node) : of(node) + " (" + kind(node) + ")";
  }

  /**
   * What kind of value it is, with its size where it has one.
   *
   * @param node the value
   * @return {@code text}, {@code number}, {@code list of 3}, ...
   */
  public static String kind(JsonNode node) {
    return switch (node.getNodeType()) {
      case OBJECT, POJO -> "object";
      case ARRAY -> "list of " + node.size();
      case STRING, BINARY -> "text";
      case NUMBER -> "number";
      case BOOLEAN -> "true or false";
      case NULL -> "null";
      case MISSING -> "nothing";
    };
  }

  /**
   * What stands at a place, for a message about a name that is not there.
   *
   * @param node the value
   * @return an object by its names, anything else by kind and value
   */
  public static String contents(JsonNode node) {
    if (node.isObject()) {
      return node.isEmpty()
          ? "an object without fields"
          : "an object with " + names(node.propertyNames());
    }
    if (node.isArray()) {
      return "a " + kind(node);
    }
    return withKind(node);
  }

  /**
   * Names as a short list.
   *
   * @param names the names
   * @return the first dozen, and how many more there are
   */
  public static String names(Collection<String> names) {
    if (names.size() <= NAMES) {
      return String.join(", ", names);
    }
    String shown = String.join(", ", names.stream().limit(NAMES).toList());
    return shown + " and " + (names.size() - NAMES) + " more";
  }

  /**
   * A Java type by its simple name, generic arguments included.
   *
   * @param type the type
   * @return its name without packages
   */
  public static String of(Type type) {
    return type.getTypeName().replaceAll("[\\w$]*[.$](?=\\w)", "");
  }

  /**
   * A text cut at {@link #LIMIT} characters; what was cut is said.
   *
   * @param text the text
   * @return the text, or its beginning and its length
   */
  public static String cut(String text) {
    if (text.length() <= LIMIT) {
      return text;
    }
    int end = Character.isHighSurrogate(text.charAt(LIMIT - 1)) ? LIMIT - 1 : LIMIT;
    return text.substring(0, end) + "... (" + text.length() + " characters in all)";
  }
}
