package org.oddlantern.schema.internal;

import java.net.URISyntaxException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
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

  /** Looks at the root of the document and all below it. */
  void search(Resource root) {
    search(document.root(), null, root);
  }

  private void search(JsonNode schema, @Nullable Way way, Resource around) {
    if (!schema.isObject()) {
      return;
    }
    Resource resource = around;
    Dialect dialect = around.dialect();
    if (mayHaveName(schema) && !(dialect.refStandsAlone() && schema.path("$ref").isString())) {
      resource = identify(schema, way, around);
      anchors(schema, way, resource);
    }
    for (Map.Entry<String, JsonNode> keyword : schema.properties()) {
      JsonNode value = keyword.getValue();
      if (value.isContainer()) {
        descend(keyword.getKey(), value, way, resource);
      }
    }
  }

  /** Most schemas do not, and are not asked for each kind of name. */
  private static boolean mayHaveName(JsonNode schema) {
    for (String keyword : schema.propertyNames()) {
      if (keyword.startsWith("$") || keyword.equals("id")) {
        return true;
      }
    }
    return false;
  }

  private void descend(String name, JsonNode value, @Nullable Way way, Resource resource) {
    if (value.isArray()) {
      if (MANY.contains(name)) {
        Way here = new Way(way, name);
        for (int i = 0; i < value.size(); i++) {
          search(value.get(i), new Way(here, String.valueOf(i)), resource);
        }
      }
    } else if (NAMED.contains(name)) {
      Way here = new Way(way, name);
      for (Map.Entry<String, JsonNode> entry : value.properties()) {
        search(entry.getValue(), new Way(here, entry.getKey()), resource);
      }
    } else if (ONE.contains(name)) {
      search(value, new Way(way, name), resource);
    }
  }

  private Resource identify(JsonNode schema, @Nullable Way way, Resource around) {
    JsonNode id = schema.path(around.dialect().identifier());
    String text = id.isString() ? Uris.withoutFragment(id.stringValue()) : "";
    if (text.isEmpty()) {
      return around;
    }
    String pointer = Way.pointer(way);
    if (pointer.equals(around.pointer())) {
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

  private static void anchors(JsonNode schema, @Nullable Way way, Resource resource) {
    Draft draft = resource.dialect().draft();
    if (draft.until(Draft.DRAFT_7)) {
      JsonNode id = schema.path(resource.dialect().identifier());
      if (id.isString() && id.stringValue().startsWith("#") && id.stringValue().length() > 1) {
        resource.anchor(Uris.fragment(id.stringValue()), Way.pointer(way));
      }
      return;
    }
    if (schema.path("$anchor").isString()) {
      resource.anchor(schema.path("$anchor").stringValue(), Way.pointer(way));
    }
    if (draft == Draft.DRAFT_2020_12 && schema.path("$dynamicAnchor").isString()) {
      resource.dynamicAnchor(schema.path("$dynamicAnchor").stringValue(), Way.pointer(way));
    }
    boolean recursive = schema.path("$recursiveAnchor").isBoolean()
        && schema.path("$recursiveAnchor").booleanValue();
    if (draft == Draft.DRAFT_2019_09 && recursive && Way.pointer(way).equals(resource.pointer())) {
      resource.dynamicAnchor("", resource.pointer());
    }
  }

  /**
   * The way from the root to a schema; a pointer is made of it only where one is asked for, since few
   * schemas have an identifier.
   *
   * @param above the way so far; null at the root
   * @param step the next name, not escaped
   */
  private record Way(@Nullable Way above, String step) {

    static String pointer(@Nullable Way way) {
      Deque<String> steps = new ArrayDeque<>();
      for (Way here = way; here != null; here = here.above) {
        steps.push(Pointers.escape(here.step));
      }
      return steps.isEmpty() ? "" : "/" + String.join("/", steps);
    }
  }
}
