package org.oddlantern.schema.internal;

import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Where a subschema stands.
 *
 * @param document the document
 * @param resource the schema resource around it, whose address its references start from
 * @param pointer the JSON Pointer from the document's root
 * @param schema the subschema
 */
record Site(Document document, Resource resource, String pointer, JsonNode schema) {

  /** As people read it: {@code schemas/hive.json#/properties/frames}. */
  String where() {
    return document.name() + "#" + pointer;
  }

  String place(String keyword) {
    return keyword.isEmpty() ? where() : where() + "/" + Pointers.escape(keyword);
  }

  /** The absolute address of a keyword, as the specification's outputs tell it. */
  String absolute(String keyword) {
    String inside = pointer.substring(resource.pointer().length());
    return resource.uri() + "#" + inside
        + (keyword.isEmpty() ? "" : "/" + Pointers.escape(keyword));
  }

  Dialect dialect() {
    return resource.dialect();
  }

  /** The subschema at a keyword. */
  Site at(JsonNode child, String keyword) {
    return document.site(pointer + "/" + keyword, resource, child);
  }

  /** One of the subschemas at a keyword, by its name. */
  Site at(JsonNode child, String keyword, String inside) {
    return document.site(pointer + "/" + keyword + "/" + Pointers.escape(inside), resource, child);
  }

  /** One of the subschemas at a keyword, by its index. */
  Site at(JsonNode child, String keyword, int index) {
    return document.site(pointer + "/" + keyword + "/" + index, resource, child);
  }
}
