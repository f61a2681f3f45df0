package org.oddlantern.json.internal.path;

import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** One selector of a path segment (RFC 9535, section 2.3). */
public sealed interface Selector {

  /** Hands every child that the selector picks to the sink. */
  void select(FoundNode parent, Search search, Sink sink);

  /** The same without places, which cost more than the values. */
  void values(JsonNode parent, Search search, Consumer<JsonNode> sink);

  /** A selector that picks one child at most. */
  sealed interface Single extends Selector {

    /** The one child; null if there is none. */
    @Nullable
    JsonNode pick(JsonNode node);

    /** Its place below a node; also where the child would be if there is none. */
    Location place(Location where, JsonNode node);

    @Override
    default void values(JsonNode parent, Search search, Consumer<JsonNode> sink) {
      JsonNode child = pick(parent);
      if (child != null) {
        sink.accept(child);
      }
    }

    @Override
    default void select(FoundNode parent, Search search, Sink sink) {
      JsonNode child = pick(parent.value());
      if (child != null) {
        sink.accept(place(parent.where(), parent.value()), child);
      }
    }
  }

  /** A member by its name. */
  record Name(String name) implements Single {
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
  record Index(long index) implements Single {
    @Override
    public @Nullable JsonNode pick(JsonNode node) {
      long item = item(node);
      return node.isArray() && item >= 0 && item < node.size() ? node.get((int) item) : null;
    }

    @Override
    public Location place(Location where, JsonNode node) {
      return where.child((int) Math.min(Integer.MAX_VALUE, Math.max(0, item(node))));
    }

    private long item(JsonNode node) {
      return index < 0 ? index + node.size() : index;
    }
  }

  /** Every member or item. */
  record Wildcard() implements Selector {
    @Override
    public void select(FoundNode parent, Search search, Sink sink) {
      Children.of(parent, sink);
    }

    @Override
    public void values(JsonNode parent, Search search, Consumer<JsonNode> sink) {
      parent.forEach(sink);
    }
  }

  /** Some items of a list, by first, last and step (RFC 9535, section 2.3.4.2). */
  record Slice(@Nullable Long start, @Nullable Long end, long step) implements Selector {
    @Override
    public void select(FoundNode parent, Search search, Sink sink) {
      if (!parent.value().isArray() || step == 0) {
        return;
      }
      int length = parent.value().size();
      if (step > 0) {
        long last = bounded(end == null ? length : end, length, 0, length);
        for (long i = bounded(start == null ? 0 : start, length, 0, length); i < last; i += step) {
          item(parent, (int) i, sink);
        }
      } else {
        long last = end == null ? -1 : bounded(end, length, -1, length - 1L);
        long first = start == null ? length - 1L : bounded(start, length, -1, length - 1L);
        for (long i = first; i > last; i += step) {
          item(parent, (int) i, sink);
        }
      }
    }

    @Override
    public void values(JsonNode parent, Search search, Consumer<JsonNode> sink) {
      select(new FoundNode(Location.ROOT, parent), search, (where, value) -> sink.accept(value));
    }

    private static void item(FoundNode parent, int index, Sink sink) {
      sink.accept(parent.where().child(index), parent.value().get(index));
    }

    private static long bounded(long index, int length, long lowest, long highest) {
      return Math.min(Math.max(index < 0 ? index + length : index, lowest), highest);
    }
  }

  /** The children that meet a condition. */
  record Filter(Condition condition) implements Selector {
    @Override
    public void select(FoundNode parent, Search search, Sink sink) {
      Children.of(parent, (where, value) -> {
        search.spend();
        if (condition.holds(value, search)) {
          sink.accept(where, value);
        }
      });
    }

    @Override
    public void values(JsonNode parent, Search search, Consumer<JsonNode> sink) {
      for (JsonNode value : parent) {
        search.spend();
        if (condition.holds(value, search)) {
          sink.accept(value);
        }
      }
    }
  }

  /** Takes what is found, in order. */
  @FunctionalInterface
  interface Sink {
    /** One more. */
    void accept(Location where, JsonNode value);
  }
}
