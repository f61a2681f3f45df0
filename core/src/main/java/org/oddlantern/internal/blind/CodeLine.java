package org.oddlantern.internal.blind;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.check.Checks;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A check that would watch a place, as code to be pasted. It holds no value that came. */
final class CodeLine {

  /** Shapes that are hardly met by chance, by the code that makes them. */
  private static final Map<String, Shape> TEXTS = texts();

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
    return each + "(" + quoted(place) + ", " + shape + ")";
  }

  /** Of a place that is no place of a JSON body. */
  static String other(String place, int status, String contentType) {
    if (place.equals("status")) {
      return "status(" + status + ")";
    }
    if (place.equals("header Content-Type")) {
      return "contentType(" + quoted(contentType.replaceFirst(";.*", "").strip()) + ")";
    }
    if (place.startsWith("header ")) {
      return "header(" + quoted(place.substring(7)) + ", anyText())";
    }
    if (place.startsWith("/")) {
      return "xpath(" + quoted(place) + ", anyText())";
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
      return text(value);
    }
    return value.isNull() ? "exactly(null)" : "anyValue()";
  }

  private static Map<String, Shape> texts() {
    Map<String, Shape> texts = new LinkedHashMap<>();
    texts.put("uuid()", Checks.uuid());
    texts.put("date()", Checks.date());
    texts.put("dateTime()", Checks.dateTime());
    texts.put("email()", Checks.email());
    return texts;
  }

  /** What is pasted must hold of what came. */
  private static String text(JsonNode text) {
    return TEXTS.entrySet().stream()
        .filter(one -> one.getValue().differences(Location.ROOT, Json.of(text)).isEmpty())
        .map(Map.Entry::getKey)
        .findFirst()
        .orElse("anyText()");
  }

  private static String quoted(String text) {
    return JsonMapping.standard().write(Json.of(text));
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
