package org.oddlantern.internal.description;

import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * A media type or a range of them, as {@code application/json; version=2}, {@code application/*}, {@code
 * *}{@code /*} (RFC 9110, section 12.5.1).
 *
 * @param type the type; {@code *} for any
 * @param subtype the subtype; {@code *} for any
 * @param parameters its parameters, names in lower case
 */
public record MediaRange(String type, String subtype, Map<String, String> parameters) {

  /** Keeps its own map. */
  public MediaRange {
    parameters = Map.copyOf(parameters);
  }

  /** As it is written in a description, or a header. */
  public static MediaRange of(String text) {
    String[] parts = text.split(";", -1);
    String[] names = parts[0].trim().toLowerCase(Locale.ROOT).split("/", 2);
    Map<String, String> parameters = new TreeMap<>();
    for (int i = 1; i < parts.length; i++) {
      String[] pair = parts[i].trim().split("=", 2);
      if (pair.length == 2) {
        String value = pair[1].trim().replaceAll("^\"(.*)\"$", "$1");
        parameters.put(pair[0].trim().toLowerCase(Locale.ROOT), value.toLowerCase(Locale.ROOT));
      }
    }
    return new MediaRange(names[0], names.length < 2 ? "" : names[1], parameters);
  }

  /** How closely it takes a type: 0 for not at all, more for closer. */
  int closeness(MediaRange other) {
    boolean takes = (type.equals("*") || type.equals(other.type))
        && (subtype.equals("*") || subtype.equals(other.subtype) || takesSuffix(other))
        && other.parameters.entrySet().containsAll(parameters.entrySet());
    if (!takes) {
      return 0;
    }
    int concrete = type.equals("*") ? 1 : subtype.startsWith("*") ? 2 : 3;
    return concrete * 100 + Math.min(99, parameters.size());
  }

  /** Whether it takes a type. */
  public boolean takes(MediaRange other) {
    return closeness(other) > 0;
  }

  private boolean takesSuffix(MediaRange other) {
    return subtype.startsWith("*+") && other.subtype.endsWith(subtype.substring(1));
  }

  /** Whether it is JSON by its name (RFC 6839, section 3.1). */
  public boolean isJson() {
    return subtype.equals("json") || subtype.endsWith("+json");
  }

  /** Whether it is a text that is not JSON and not XML. */
  public boolean isPlainText() {
    return type.equals("text") && !subtype.equals("xml") && !isJson();
  }

  /** Whether it is a form, encoded as an address is. */
  public boolean isForm() {
    return type.equals("application") && subtype.equals("x-www-form-urlencoded");
  }

  /** Whether it is a form in parts. */
  public boolean isMultipart() {
    return type.equals("multipart");
  }
}
