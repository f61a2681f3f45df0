package org.oddlantern.json;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/**
 * A path into a JSON tree as RFC 9535 writes it; so far with names, indexes and wildcards: {@code
 * $.hives[0].label}, {@code $.hives[*].id}, {@code $['a name'][-1]}. Immutable and thread-safe.
 */
public final class JsonPath {

  private final String text;
  private final List<Selector> selectors;
  private final boolean singular;

  private JsonPath(String text, List<Selector> selectors) {
    this.text = text;
    this.selectors = selectors;
    boolean single = true;
    for (Selector selector : selectors) {
      single &= selector.isSingular();
    }
    this.singular = single;
  }

  /**
   * Reads a path.
   *
   * @param text the path, beginning with {@code $}
   * @return the path
   * @throws BadPath if it is not a path, with a caret where reading stopped
   */
  public static JsonPath of(String text) {
    return new JsonPath(text, new PathParser(text).parse());
  }

  /**
   * Whether the path leads to one place at most (RFC 9535, singular query). It is told from how the
   * path is written, not from what it finds.
   *
   * @return true for one place
   */
  public boolean isSingular() {
    return singular;
  }

  /**
   * Whether the first step of the path is a member of that name.
   *
   * @param name the name
   * @return true if it is
   */
  public boolean beginsWith(String name) {
    return !selectors.isEmpty()
        && selectors.get(0) instanceof Selector.Name first
        && first.name().equals(name);
  }

  /**
   * Everything the path finds, in document order.
   *
   * @param root the whole document
   * @return what was found, with its places; empty if nothing
   */
  public List<Found> find(JsonNode root) {
    List<Found> found = List.of(new Found(Location.ROOT, root));
    for (Selector selector : selectors) {
      List<Found> next = new ArrayList<>();
      found.forEach(one -> selector.select(
          one.where, one.value, (where, value) -> next.add(new Found(where, value))));
      found = next;
    }
    return found;
  }

  /**
   * The one value a singular path leads to.
   *
   * @param root the whole document
   * @return the value and its place; a missing node, and the place where it would be, if there is none
   */
  public Found findOne(JsonNode root) {
    Location where = Location.ROOT;
    JsonNode value = root;
    for (Selector selector : selectors) {
      JsonNode child = selector.pick(value);
      where = selector.place(where, value);
      value = child == null ? MissingNode.getInstance() : child;
    }
    return new Found(where, value);
  }

  /**
   * Why the path finds nothing: how far it leads and what stands there.
   *
   * @param root the whole document
   * @return a sentence
   */
  public Dead end(JsonNode root) {
    List<Found> reached = List.of(new Found(Location.ROOT, root));
    for (Selector selector : selectors) {
      List<Found> next = new ArrayList<>();
      reached.forEach(one -> selector.select(
          one.where, one.value, (where, value) -> next.add(new Found(where, value))));
      if (next.isEmpty()) {
        return dead(reached.get(0), selector);
      }
      reached = next;
    }
    throw new IllegalStateException("the path " + text + " does not end before its last value");
  }

  private static Dead dead(Found last, Selector selector) {
    String stopped = "the path ends at " + last.where + ", which is " + Words.contents(last.value);
    if (selector instanceof Selector.Name name) {
      return new Dead(stopped, NearestMatch.hint(name.name(), last.value.propertyNames()));
    }
    boolean wrongKind = selector instanceof Selector.Index && last.value.isObject();
    return new Dead(
        stopped, wrongKind ? "an index looks into lists only; a field wants its name" : "");
  }

  /** The steps of a singular path, each a name or an index; for those who change a tree. */
  public List<Object> steps() {
    List<Object> steps = new ArrayList<>();
    for (Selector selector : selectors) {
      if (selector instanceof Selector.Name name) {
        steps.add(name.name());
      } else if (selector instanceof Selector.Index index) {
        steps.add(index.index());
      } else {
        throw new IllegalArgumentException(
            "the path " + text + " leads to many places; one place is wanted here");
      }
    }
    return steps;
  }

  @Override
  public String toString() {
    return text;
  }

  /**
   * A value and its place.
   *
   * @param where the place
   * @param value the value; a missing node if there is none
   */
  public record Found(Location where, JsonNode value) {}

  /**
   * Where a path stopped.
   *
   * @param stopped how far it leads and what stands there
   * @param hint the nearest thing that would have matched; may be empty
   */
  public record Dead(String stopped, String hint) {}
}
