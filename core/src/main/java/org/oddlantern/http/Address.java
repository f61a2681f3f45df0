package org.oddlantern.http;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.JsonMapping;

/**
 * Where a call goes: a template with its arguments, and query parameters. Arguments are shown as they
 * look on the wire, and percent-encoded (RFC 3986).
 */
record Address(Template template, List<Object> arguments, List<NamedValue> query) {

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

  Address with(String name, @Nullable Object value) {
    List<NamedValue> more = new ArrayList<>(query);
    more.addAll(NamedValue.each(name, value));
    return new Address(template, arguments, more);
  }

  /** An address that is no template, however many braces it has. */
  static Address literal(String text) {
    return new Address(new Template(text, List.of(text)), List.of(), List.of());
  }

  /** Whether it says itself on which host it is. */
  boolean isAbsolute() {
    return isAbsolute(template.literals().get(0));
  }

  private static boolean isAbsolute(String text) {
    return text.startsWith("http://") || text.startsWith("https://");
  }

  /** This address with a parameter instead of those of its name. */
  Address replacing(String name, Object value) {
    return without(name).with(name, value);
  }

  /** This address without a parameter. */
  Address without(String name) {
    List<NamedValue> others = new ArrayList<>(query);
    others.removeIf(parameter -> parameter.name().equals(name));
    return new Address(template, arguments, others);
  }

  /** This address with another argument in one of its places. */
  Address withArgument(int index, Object value) {
    if (index < 0 || index >= arguments.size()) {
      throw new IllegalArgumentException("the template " + template + " has no place number "
          + (index + 1) + "; write the good call with arguments, like \"/hives/{id}\", id");
    }
    List<Object> others = new ArrayList<>(arguments);
    others.set(index, value);
    return new Address(template, others, query);
  }

  /** A reference resolved against an address (RFC 3986, section 5.2; the JDK drops a path before '?'). */
  static URI resolved(URI base, String reference) {
    if (!reference.startsWith("?")) {
      return base.resolve(reference);
    }
    String whole = base.toString();
    int query = whole.indexOf('?');
    return URI.create((query < 0 ? whole : whole.substring(0, query)) + reference);
  }

  static URI withParameter(URI uri, String name, String value) {
    String text = uri.toString();
    return URI.create(text
        + (uri.getRawQuery() == null ? '?' : '&')
        + PercentEncoding.uri(name)
        + '='
        + PercentEncoding.uri(value));
  }

  URI resolve(String base, JsonMapping mapping) {
    StringBuilder text = new StringBuilder(template.literals().get(0));
    for (int i = 0; i < arguments.size(); i++) {
      text.append(PercentEncoding.uri(scalar(arguments.get(i), mapping)))
          .append(template.literals().get(i + 1));
    }
    char separator = text.indexOf("?") < 0 ? '?' : '&';
    for (NamedValue parameter : query) {
      text.append(separator).append(PercentEncoding.uri(parameter.name())).append('=');
      text.append(PercentEncoding.uri(scalar(parameter.value(), mapping)));
      separator = '&';
    }
    return uri(join(base, text.toString()));
  }

  private static String join(String base, String path) {
    if (isAbsolute(path)) {
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
    return Scalars.text(value, mapping, "the address " + template);
  }

  private static String given(int number) {
    return count(number, "argument") + (number == 1 ? " is" : " are");
  }

  private static String count(int number, String noun) {
    return (number == 0 ? "no" : number) + " " + noun + (number == 1 ? "" : "s");
  }
}
