package org.oddlantern.schema.internal;

import org.oddlantern.json.Finding;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Something that does not fit, as data: what people read, and what a program needs to say which lines of
 * the schema it is about.
 *
 * @param finding as people read it
 * @param keyword the keyword that asks for more: {@code enum}
 * @param schema the document and the pointer of the subschema around the keyword
 * @param place the place in the value, as a JSON Pointer
 * @param value what is there
 */
public record Misfit(Finding finding, String keyword, Target schema, String place, JsonNode value) {

  /**
   * A subschema.
   *
   * @param document the document's name, as messages call it
   * @param pointer a JSON Pointer in it
   */
  public record Target(String document, String pointer) {}
}
