package org.oddlantern.json.internal;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.oddlantern.json.JsonPath.Found;
import tools.jackson.databind.JsonNode;

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
  public List<Found> follow(List<Found> from, Search search) {
    List<Found> found = new ArrayList<>();
    for (Found one : from) {
      if (descendant) {
        descend(one, search, found);
      } else {
        children(one, search, found);
      }
    }
    return found;
  }

  /** The values of everything it finds below the given ones, in order. */
  List<JsonNode> values(List<JsonNode> from, Search search) {
    List<JsonNode> found = new ArrayList<>();
    for (JsonNode one : from) {
      if (descendant) {
        descend(one, search, found);
      } else {
        children(one, search, found);
      }
    }
    return found;
  }

  private void children(JsonNode parent, Search search, List<JsonNode> found) {
    for (Selector selector : selectors) {
      selector.values(parent, search, value -> {
        search.keep();
        found.add(value);
      });
    }
  }

  private void descend(JsonNode top, Search search, List<JsonNode> found) {
    Deque<JsonNode> open = new ArrayDeque<>();
    open.push(top);
    while (!open.isEmpty()) {
      JsonNode next = open.pop();
      search.spend();
      children(next, search, found);
      List<JsonNode> below = new ArrayList<>();
      for (JsonNode value : next) {
        if (value.isContainer()) {
          below.add(value);
        } else {
          search.spend();
        }
      }
      for (int i = below.size() - 1; i >= 0; i--) {
        open.push(below.get(i));
      }
    }
  }

  private void children(Found parent, Search search, List<Found> found) {
    for (Selector selector : selectors) {
      selector.select(parent, search, (where, value) -> {
        search.keep();
        found.add(new Found(where, value));
      });
    }
  }

  /** Parents before their children, without recursion: a document may be nested as deep as it likes. */
  private void descend(Found top, Search search, List<Found> found) {
    Deque<Found> open = new ArrayDeque<>();
    open.push(top);
    while (!open.isEmpty()) {
      Found next = open.pop();
      search.spend();
      children(next, search, found);
      List<Found> below = new ArrayList<>();
      Children.of(next, (where, value) -> {
        if (value.isContainer()) {
          below.add(new Found(where, value));
        } else {
          search.spend();
        }
      });
      for (int i = below.size() - 1; i >= 0; i--) {
        open.push(below.get(i));
      }
    }
  }
}
