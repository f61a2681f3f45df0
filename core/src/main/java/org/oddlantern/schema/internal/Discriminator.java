package org.oddlantern.schema.internal;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Tells which form of a choice a value means to be (OpenAPI 3.0 and 3.1, Discriminator Object). It never
 * changes whether the value fits, only which form is explained.
 *
 * @param field the field that tells
 * @param forms the index of a form by the text in that field
 */
record Discriminator(String field, Map<String, Integer> forms) {

  static final Discriminator NONE = new Discriminator("", Map.of());

  /** Keeps its own map. */
  Discriminator {
    forms = Map.copyOf(forms);
  }

  /** That of a choice; {@link #NONE} if there is none. */
  static Discriminator of(JsonNode schema, JsonNode choice) {
    JsonNode field = schema.path("discriminator").path("propertyName");
    if (!field.isString()) {
      return NONE;
    }
    List<String> references =
        choice.valueStream().map(form -> form.path("$ref").asString("")).toList();
    Map<String, Integer> forms = new HashMap<>();
    for (int i = 0; i < references.size(); i++) {
      if (!references.get(i).isEmpty()) {
        forms.put(last(references.get(i)), i);
      }
    }
    for (Map.Entry<String, JsonNode> one :
        schema.path("discriminator").path("mapping").properties()) {
      String target = one.getValue().asString("");
      int form = references.indexOf(target);
      if (form < 0) {
        form = forms.getOrDefault(last(target), -1);
      }
      if (form >= 0) {
        forms.put(one.getKey(), form);
      }
    }
    return new Discriminator(field.stringValue(), forms);
  }

  private static String last(String reference) {
    return reference.substring(reference.lastIndexOf('/') + 1);
  }

  /** The index of the form that a value says it is; below 0 if it does not say. */
  int form(JsonNode value) {
    return forms.getOrDefault(value.path(field).asString(""), -1);
  }
}
