package org.oddlantern.http;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.JsonMapping;
import tools.jackson.databind.JsonNode;

/**
 * Where a call goes: a template with its arguments, and query parameters. Arguments are told as they
 * look on the wire, and percent-encoded (RFC 3986).
 */
record Address(Template template, List<Object> arguments, List<Parameter> query) {

  private static final String UNRESERVED = "-._~";

  Address {
    if (template.places() != arguments.size()) {
      throw new IllegalArgumentException("the template %s has %s, but %s given"
          .formatted(template, count(template.places(), "place"), given(arguments.size())));
    }
  }

  static Address of(String template, @Nullable Object... arguments) {
    List<Object> given = new ArrayList<>();
    for (int i = 0; i < arguments.length; i++) {
      Object argument = arguments[i];
      if (argument == null) {
        throw new IllegalArgumentException(
            "argument " + (i + 1) + " for the template " + template + " is null");
      }
      given.add(argument);
    }
    return new Address(Template.of(template), given, List.of());
  }

  Address with(Parameter parameter) {
    List<Parameter> more = new ArrayList<>(query);
    more.add(parameter);
    return new Address(template, arguments, more);
  }

  URI resolve(String base, JsonMapping mapping) {
    StringBuilder text = new StringBuilder(template.literals().get(0));
    for (int i = 0; i < arguments.size(); i++) {
      text.append(encoded(scalar(arguments.get(i), mapping)))
          .append(template.literals().get(i + 1));
    }
    char separator = text.indexOf("?") < 0 ? '?' : '&';
    for (Parameter parameter : query) {
      text.append(separator).append(encoded(parameter.name)).append('=');
      text.append(encoded(scalar(parameter.value, mapping)));
      separator = '&';
    }
    return uri(join(base, text.toString()));
  }

  private static String join(String base, String path) {
    if (path.startsWith("http://") || path.startsWith("https://")) {
      return path;
    }
    String trunk = base.endsWith("/") ? base.substring(0, base.length() - 1) : base;
    return path.isEmpty() || path.startsWith("/") || path.startsWith("?")
        ? trunk + path
        : trunk + "/" + path;
  }

  private URI uri(String text) {
    try {
      return URI.create(text);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "the template " + template + " makes no valid address: " + e.getMessage(), e);
    }
  }

  private String scalar(Object value, JsonMapping mapping) {
    JsonNode node = mapping.tree(value);
    if (node.isContainer() || node.isNull()) {
      throw new IllegalArgumentException(
          "%s for the template %s cannot stand in an address: %s; give one of its values"
              .formatted(value.getClass().getSimpleName(), template, mapping.write(node)));
    }
    return node.isNumber() && !node.isIntegralNumber()
        ? node.decimalValue().toPlainString()
        : node.asString();
  }

  private static String encoded(String text) {
    StringBuilder encoded = new StringBuilder();
    for (byte octet : text.getBytes(StandardCharsets.UTF_8)) {
      char c = (char) (octet & 0xff);
      if (c < 128 && (Character.isLetterOrDigit(c) || UNRESERVED.indexOf(c) >= 0)) {
        encoded.append(c);
      } else {
        encoded.append(String.format("%%%02X", (int) c));
      }
    }
    return encoded.toString();
  }

  private static String given(int number) {
    return count(number, "argument") + (number == 1 ? " is" : " are");
  }

  private static String count(int number, String noun) {
    return (number == 0 ? "no" : number) + " " + noun + (number == 1 ? "" : "s");
  }

  /** One query parameter. */
  record Parameter(String name, Object value) {}
}
