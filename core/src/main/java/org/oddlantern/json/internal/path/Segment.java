package org.oddlantern.json.internal.path;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.Consumer;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A step of a path: selectors for the children of a value, or for those of all its descendants too
 * (RFC 9535, section 2.5).
 *
 * @param text the step as it is written
 * @param descendant whether it looks at every depth
 * @param selectors what it selects
 */
public record Segment(String text, boolean descendant, List<Selector> selectors) {

  /** Whether it leads to one place at most. */
  public boolean isSingular() {
    return !descendant && selectors.size() == 1 && selectors.get(0) instanceof Selector.Single;
  }

  /** The one selector of a singular segment. */
  public Selector.Single single() {
    return (Selector.Single) selectors.get(0);
  }

  /** Everything it finds below the given values, in order. */
  public List<FoundNode> follow(List<FoundNode> from, Search search) {
    return walked(
        from,
        search,
        (parent, sink) -> selectors.forEach(selector -> selector.select(
            parent, search, (where, value) -> sink.accept(new FoundNode(where, value)))),
        (parent, sink) -> Children.of(parent, (where, value) -> {
          if (value.isContainer()) {
            sink.accept(new FoundNode(where, value));
          }
        }));
  }

  /** The values of everything it finds below the given ones, in order. */
  List<JsonNode> values(List<JsonNode> from, Search search) {
    return walked(
        from,
        search,
        (parent, sink) -> selectors.forEach(selector -> selector.values(parent, search, sink)),
        (parent, sink) -> parent.forEach(value -> {
          if (value.isContainer()) {
            sink.accept(value);
          }
        }));
  }

  private <T> List<T> walked(List<T> from, Search search, Below<T> selected, Below<T> containers) {
    List<T> found = new ArrayList<>();
    Consumer<T> keep = one -> {
      search.keep();
      found.add(one);
    };
    for (T one : from) {
      if (descendant) {
        descend(one, search, containers, next -> selected.of(next, keep));
      } else {
        selected.of(one, keep);
      }
    }
    return found;
  }

  /** Parents before their children, without recursion: a document may be nested as deep as it likes. */
  private static <T> void descend(T top, Search search, Below<T> containers, Consumer<T> visit) {
    Deque<T> open = new ArrayDeque<>();
    open.push(top);
    while (!open.isEmpty()) {
      T next = open.pop();
      search.spend();
      visit.accept(next);
      List<T> below = new ArrayList<>();
      containers.of(next, below::add);
      for (int i = below.size() - 1; i >= 0; i--) {
        open.push(below.get(i));
      }
    }
  }

  /** Hands on what lies below a value, with its place or without. */
  private interface Below<T> {
    void of(T parent, Consumer<T> sink);
  }
}
