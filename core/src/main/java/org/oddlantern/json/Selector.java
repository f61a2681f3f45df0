package org.oddlantern.json;

import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** One selector of a path segment (RFC 9535, section 2.3). */
sealed interface Selector {

  /** Hands every child that the selector picks to the sink. */
  void select(Location where, JsonNode node, BiConsumer<Location, JsonNode> sink);

  /** Whether it picks one child at most. */
  default boolean isSingular() {
    return true;
  }

  /** A member by its name. */
  record Name(String name) implements Selector {
    @Override
    public void select(Location where, JsonNode node, BiConsumer<Location, JsonNode> sink) {
      @Nullable JsonNode child = node.isObject() ? node.get(name) : null;
      if (child != null) {
        sink.accept(where.child(name), child);
      }
    }
  }

  /** An item by its index; a negative one counts from the end. */
  record Index(int index) implements Selector {
    @Override
    public void select(Location where, JsonNode node, BiConsumer<Location, JsonNode> sink) {
      if (node.isArray()) {
        int item = index < 0 ? index + node.size() : index;
        if (item >= 0 && item < node.size()) {
          sink.accept(where.child(item), node.get(item));
        }
      }
    }
  }

  /** Every member or item. */
  record Wildcard() implements Selector {
    @Override
    public void select(Location where, JsonNode node, BiConsumer<Location, JsonNode> sink) {
      if (node.isArray()) {
        for (int i = 0; i < node.size(); i++) {
          sink.accept(where.child(i), node.get(i));
        }
      } else if (node.isObject()) {
        node.properties()
            .forEach(member -> sink.accept(where.child(member.getKey()), member.getValue()));
      }
    }

    @Override
    public boolean isSingular() {
      return false;
    }
  }
}
