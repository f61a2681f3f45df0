package org.oddlantern.schema.internal;

import java.net.URISyntaxException;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.SchemaProblem;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Finds the schemas of a document that have an address or an anchor of their own. */
final class Identifiers {

  private static final Set<String> ONE = Set.of(
      "additionalItems",
      "additionalProperties",
      "contains",
      "contentSchema",
      "else",
      "if",
      "items",
      "not",
      "propertyNames",
      "then",
      "unevaluatedItems",
      "unevaluatedProperties");

  private static final Set<String> MANY = Set.of("allOf", "anyOf", "oneOf", "items", "prefixItems");

  private static final Set<String> NAMED = Set.of(
      "$defs",
      "definitions",
      "dependencies",
      "dependentSchemas",
      "patternProperties",
      "properties");

  private final Document document;
  private final Consumer<Resource> found;
  private final Function<Site, Dialect> dialects;

  /**
   * A search.
   *
   * @param document where
   * @param found hears of each resource below the root
   * @param dialects tells the dialect of a resource that names one
   */
  Identifiers(Document document, Consumer<Resource> found, Function<Site, Dialect> dialects) {
    this.document = document;
    this.found = found;
    this.dialects = dialects;
  }

  /** Looks at a schema and all below it. */
  void search(JsonNode schema, String pointer, Resource around) {
    if (!schema.isObject()) {
      return;
    }
    Resource resource = around;
    Dialect dialect = around.dialect();
    boolean onlyRef = dialect.refStandsAlone() && schema.path("$ref").isString();
    if (!onlyRef) {
      resource = identify(schema, pointer, around);
      anchors(schema, pointer, resource);
    }
    for (Map.Entry<String, JsonNode> keyword : schema.properties()) {
      descend(keyword.getKey(), keyword.getValue(), pointer, resource);
    }
  }

  private void descend(String name, JsonNode value, String pointer, Resource resource) {
    if (value.isObject() && ONE.contains(name)) {
      search(value, pointer + "/" + name, resource);
    } else if (value.isArray() && MANY.contains(name)) {
      for (int i = 0; i < value.size(); i++) {
        search(value.get(i), pointer + "/" + name + "/" + i, resource);
      }
    } else if (value.isObject() && NAMED.contains(name)) {
      value
          .properties()
          .forEach(entry -> search(
              entry.getValue(),
              pointer + "/" + name + "/" + Pointers.escape(entry.getKey()),
              resource));
    }
  }

  private Resource identify(JsonNode schema, String pointer, Resource around) {
    JsonNode id = schema.path(around.dialect().identifier());
    String text = id.isString() ? Uris.withoutFragment(id.stringValue()) : "";
    if (text.isEmpty() || pointer.equals(around.pointer())) {
      return around;
    }
    Site site = new Site(document, around, pointer, schema);
    try {
      String uri = Uris.resolve(around.uri(), text);
      Resource resource = new Resource(document, uri, pointer, dialects.apply(site));
      document.add(resource);
      found.accept(resource);
      return resource;
    } catch (URISyntaxException e) {
      throw new SchemaProblem(site.place("$id"), "'" + text + "' is no address: " + e.getReason());
    }
  }

  private static void anchors(JsonNode schema, String pointer, Resource resource) {
    Draft draft = resource.dialect().draft();
    if (draft.until(Draft.DRAFT_7)) {
      JsonNode id = schema.path(resource.dialect().identifier());
      if (id.isString() && id.stringValue().startsWith("#") && id.stringValue().length() > 1) {
        resource.anchor(Uris.fragment(id.stringValue()), pointer);
      }
      return;
    }
    if (schema.path("$anchor").isString()) {
      resource.anchor(schema.path("$anchor").stringValue(), pointer);
    }
    if (draft == Draft.DRAFT_2020_12 && schema.path("$dynamicAnchor").isString()) {
      resource.dynamicAnchor(schema.path("$dynamicAnchor").stringValue(), pointer);
    }
    boolean recursive = schema.path("$recursiveAnchor").isBoolean()
        && schema.path("$recursiveAnchor").booleanValue();
    if (draft == Draft.DRAFT_2019_09 && recursive && pointer.equals(resource.pointer())) {
      resource.dynamicAnchor("", pointer);
    }
  }
}
