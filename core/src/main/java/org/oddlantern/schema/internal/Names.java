package org.oddlantern.schema.internal;

import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** How a subschema is called in a message. */
final class Names {

  private Names() {}

  /** One form of a choice: by its title, what it refers to, or its number. */
  static String of(Rule form, int index) {
    JsonNode schema = form.site().schema();
    String number = String.valueOf(index + 1);
    if (schema.path("title").isString()) {
      return number + " (" + Words.cut(schema.path("title").stringValue()) + ")";
    }
    if (schema.path("$ref").isString()) {
      return number + " (" + Words.cut(schema.path("$ref").stringValue()) + ")";
    }
    return number;
  }

  /** A subschema in few words. */
  static String summary(Rule rule) {
    return Words.of(rule.site().schema());
  }
}
