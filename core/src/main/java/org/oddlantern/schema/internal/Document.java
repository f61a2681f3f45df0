package org.oddlantern.schema.internal;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** A text with a schema in it, or with several: a file, a reply, a tree made in code. */
public final class Document {

  private final String name;
  private final String uri;
  private final JsonNode root;
  private final Map<String, Resource> resources = new HashMap<>();
  private final Map<String, Rule> rules = new HashMap<>();

  /**
   * A document.
   *
   * @param name as messages call it
   * @param uri where it comes from
   * @param root what is in it
   */
  public Document(String name, String uri, JsonNode root) {
    this.name = name;
    this.uri = uri;
    this.root = root;
  }

  /** Whether it describes an API (OpenAPI), so that schemas are parts of it. */
  boolean isApi() {
    return root.has("openapi") || root.has("swagger");
  }

  /** The same, called otherwise in messages. */
  public Document called(String other) {
    return new Document(other, uri, root);
  }

  /** As messages call it. */
  public String name() {
    return name;
  }

  /** Where it comes from. */
  public String uri() {
    return uri;
  }

  /** What is in it. */
  public JsonNode root() {
    return root;
  }

  void add(Resource resource) {
    resources.put(resource.pointer(), resource);
  }

  /** The resource that begins at a place; null if none does. */
  @Nullable
  Resource resourceAt(String pointer) {
    return resources.get(pointer);
  }

  /** A place, in the resource around it, or in the one that begins there. */
  Site site(String pointer, Resource around, JsonNode schema) {
    Resource own = resources.size() == 1 ? null : resources.get(pointer);
    return new Site(this, own == null ? around : own, pointer, schema);
  }

  /** What is at a place; nothing if the place is not there. */
  public JsonNode at(String pointer) {
    JsonNode node = root;
    for (String step : Pointers.steps(pointer)) {
      JsonNode next = Pointers.step(node, step);
      if (next == null) {
        return MissingNode.getInstance();
      }
      node = next;
    }
    return node;
  }

  /** Its rules by their places; for who reads it. */
  Map<String, Rule> rules() {
    return rules;
  }
}
