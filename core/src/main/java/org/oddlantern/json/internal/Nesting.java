package org.oddlantern.json.internal;

import java.util.ArrayDeque;
import java.util.Deque;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Refuses trees nested deeper than any text this library reads, before they are walked. */
final class Nesting {

  /** Levels of lists and objects in one document. */
  static final int DEEPEST = 1_000;

  private Nesting() {}

  static JsonNode checked(JsonNode tree) {
    if (!tree.isContainer()) {
      return tree;
    }
    Deque<JsonNode> level = new ArrayDeque<>();
    level.add(tree);
    for (int depth = 0; !level.isEmpty(); depth++) {
      if (depth > DEEPEST) {
        throw new IllegalArgumentException("the tree is nested deeper than " + DEEPEST
            + " levels, which is as deep as JSON is read here");
      }
      Deque<JsonNode> below = new ArrayDeque<>();
      for (JsonNode node : level) {
        for (JsonNode child : node) {
          if (child.isContainer()) {
            below.add(child);
          }
        }
      }
      level = below;
    }
    return tree;
  }
}
