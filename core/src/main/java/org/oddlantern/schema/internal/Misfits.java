package org.oddlantern.schema.internal;

import java.util.List;
import org.oddlantern.json.internal.TextReadings;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What may help where a value is of another type than asked. */
final class Misfits {

  private Misfits() {}

  static String hint(List<String> types, JsonNode value) {
    if (value.isString()) {
      return ofText(types, value.stringValue());
    }
    if (value.isNull()) {
      return "the schema allows no null here; a field that may be null has \"null\" among its types";
    }
    if (value.isNumber() && types.contains("integer") && !types.contains("number")) {
      return "it has a fraction";
    }
    if (types.contains("string") && !value.isContainer()) {
      return "it is there without quotes";
    }
    if (types.contains("array") && !value.isArray()) {
      return "it is there by itself, not in a list";
    }
    return value.isArray() && value.size() == 1 ? "it is there in a list of one" : "";
  }

  private static String ofText(List<String> types, String text) {
    boolean number = types.contains("number") || types.contains("integer");
    for (JsonNode reading : TextReadings.of(text)) {
      if (reading.isNumber() && number) {
        return "the number is in quotes";
      }
      if (reading.isBoolean() && types.contains("boolean")) {
        return "the " + text + " is in quotes";
      }
    }
    boolean tree = text.startsWith("{") && types.contains("object")
        || text.startsWith("[") && types.contains("array");
    return tree ? "it looks like JSON that was written into a text" : "";
  }
}
