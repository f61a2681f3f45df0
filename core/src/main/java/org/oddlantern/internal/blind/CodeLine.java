package org.oddlantern.internal.blind;

import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A check that would watch a place, as code to be pasted. It holds no value that came. */
final class CodeLine {

  private static final Pattern UUID =
      Pattern.compile("[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}");
  private static final Pattern DATE = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");
  private static final Pattern MOMENT = Pattern.compile(
      "\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}(:\\d{2}(\\.\\d+)?)?(Z|[+-]\\d{2}:\\d{2})");
  private static final Pattern EMAIL = Pattern.compile("[^@\\s]+@[^@\\s]+\\.[^@\\s]+");

  private CodeLine() {}

  /** Of a place of a JSON body. */
  static String of(
      String place, JsonNode value, Knowledge.@Nullable Known known, @Nullable JsonNode reply) {
    if (known != null && known.sent() != null && reply != null && includes(reply, known.sent())) {
      return "body(including(" + known.noun() + "))   // " + known.noun() + " " + known.comment();
    }
    if (known != null) {
      return at(place, known.code()) + "   // " + known.code() + " " + known.comment();
    }
    if (place.equals("$")) {
      return value.isArray() ? "body(size(atLeast(1)))" : "body(anyValue())";
    }
    return at(place, shape(value));
  }

  /** Of a place that held a secret. */
  static String ofSecret(String place) {
    return at(place, "anyText()");
  }

  private static String at(String place, String shape) {
    String each = place.contains("[*]") ? "atEach" : "at";
    return each + "(\"" + place.replace("\\", "\\\\").replace("\"", "\\\"") + "\", " + shape + ")";
  }

  /** Of a place that is no place of a JSON body. */
  static String other(String place, int status, String contentType) {
    if (place.equals("status")) {
      return "status(" + status + ")";
    }
    if (place.equals("header Content-Type")) {
      return "contentType(\"" + contentType.replaceFirst(";.*", "").strip() + "\")";
    }
    if (place.startsWith("header ")) {
      return "header(\"" + place.substring(7) + "\", anyText())";
    }
    if (place.startsWith("/")) {
      return "xpath(\"" + place + "\", anyText())";
    }
    if (place.startsWith("cookie ")) {
      String[] words = place.split(" ", -1);
      return "holds(\"" + words[1] + " is " + words[2] + "\", reply -> reply.cookies().stream()"
          + ".anyMatch(one -> one.name().equals(\"" + words[1]
          + "\") && one.attributes().containsKey(\"" + words[2] + "\")))";
    }
    return place.equals("body") ? "body(anyText())" : "";
  }

  private static String shape(JsonNode value) {
    if (value.isNumber()) {
      return value.isIntegralNumber() ? "wholeNumber()" : "number()";
    }
    if (value.isBoolean()) {
      return "trueOrFalse()";
    }
    if (value.isArray()) {
      return value.isEmpty() ? "empty()" : "size(atLeast(1))";
    }
    if (value.isString()) {
      return text(value.stringValue());
    }
    return value.isNull() ? "exactly(null)" : "anyValue()";
  }

  private static String text(String text) {
    if (UUID.matcher(text).matches()) {
      return "uuid()";
    }
    if (DATE.matcher(text).matches()) {
      return "date()";
    }
    if (MOMENT.matcher(text).matches()) {
      return "dateTime()";
    }
    return EMAIL.matcher(text).matches() ? "email()" : "anyText()";
  }

  /** Whether all that was sent came back. */
  private static boolean includes(JsonNode reply, JsonNode sent) {
    if (sent.isObject()) {
      return reply.isObject()
          && sent.propertyNames().stream()
              .allMatch(name -> includes(reply.path(name), sent.path(name)));
    }
    return sent.equals(reply);
  }
}
