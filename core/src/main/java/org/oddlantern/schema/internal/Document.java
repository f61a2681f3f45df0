package org.oddlantern.schema.internal;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

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

  /** The same, called otherwise in messages. */
  public Document called(String other) {
    return new Document(other, uri, root);
  }

  String name() {
    return name;
  }

  String uri() {
    return uri;
  }

  JsonNode root() {
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
    Resource own = resources.get(pointer);
    return new Site(this, own == null ? around : own, pointer, schema);
  }

  Map<String, Rule> rules() {
    return rules;
  }
}
