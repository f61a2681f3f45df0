package org.oddlantern.json;

import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** One selector of a path segment (RFC 9535, section 2.3). */
sealed interface Selector {

  /** Hands every child that the selector picks to the sink. */
  default void select(Location where, JsonNode node, BiConsumer<Location, JsonNode> sink) {
    JsonNode child = pick(node);
    if (child != null) {
      sink.accept(place(where, node), child);
    }
  }

  /** The one child that a singular selector picks; null if there is none. */
  default @Nullable JsonNode pick(JsonNode node) {
    throw new IllegalStateException("this selector may pick many children");
  }

  /** Its place below a node; also where the child would be if there is none. */
  default Location place(Location where, JsonNode node) {
    throw new IllegalStateException("this selector may pick many children");
  }

  /** Whether it picks one child at most. */
  default boolean isSingular() {
    return true;
  }

  /** A member by its name. */
  record Name(String name) implements Selector {
    @Override
    public @Nullable JsonNode pick(JsonNode node) {
      return node.isObject() ? node.get(name) : null;
    }

    @Override
    public Location place(Location where, JsonNode node) {
      return where.child(name);
    }
  }

  /** An item by its index; a negative one counts from the end. */
  record Index(int index) implements Selector {
    @Override
    public @Nullable JsonNode pick(JsonNode node) {
      return node.isArray() && item(node) >= 0 ? node.get(item(node)) : null;
    }

    @Override
    public Location place(Location where, JsonNode node) {
      return where.child(Math.max(0, item(node)));
    }

    private int item(JsonNode node) {
      return index < 0 ? index + node.size() : index;
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
