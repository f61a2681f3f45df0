package org.oddlantern.internal.description;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Looks whether every reference of a description leads somewhere, without reading what is there. */
final class ReferenceCheck {

  /** What holds values of the API's own, in which a reference is none. */
  private static final Set<String> VALUES =
      Set.of("example", "examples", "default", "enum", "const");

  private final References references;
  private final Set<String> documents = new HashSet<>();
  private final Set<String> followed = new HashSet<>();

  ReferenceCheck(References references) {
    this.references = references;
  }

  void check(Part root) {
    if (documents.add(root.document().uri())) {
      walk(root);
    }
  }

  private void walk(Part part) {
    JsonNode node = part.node();
    JsonNode reference = node.path("$ref");
    // an anchor is looked for when its schema is read
    if (reference.isString()
        && !reference.stringValue().matches("[^#]*#[^/].*")
        && followed.add(part.document().uri() + " " + reference.stringValue())) {
      Part target = references.next(part, reference.stringValue());
      check(new Part(target.document(), "", target.document().root()));
    }
    if (node.isObject()) {
      for (Map.Entry<String, JsonNode> one : node.properties()) {
        if (one.getValue().isContainer() && !VALUES.contains(one.getKey())) {
          walk(part.at(one.getKey()));
        }
      }
    } else {
      for (int i = 0; i < node.size(); i++) {
        if (node.get(i).isContainer()) {
          walk(new Part(part.document(), part.pointer() + "/" + i, node.get(i)));
        }
      }
    }
  }
}
