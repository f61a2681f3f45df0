package org.oddlantern.json.internal.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** A path as everything inside asks it: of trees, with the places where nothing is. Immutable and thread-safe. */
public final class TreePath {

  private final String text;
  private final Query query;
  private final boolean singular;

  private TreePath(String text, Query query) {
    this.text = text;
    this.query = query;
    this.singular = query.isSingular();
  }

  /**
   * Reads a path. Within a run each path is read once.
   *
   * @param text the path, beginning with {@code $}
   * @return the path
   * @throws BadPath if it is not a path, with a caret where reading stopped
   */
  public static TreePath of(String text) {
    Needed.of(text, "of(text): text");
    Optional<KnownPaths> known = CurrentCase.part(KnownPaths.class);
    return new TreePath(
        text, known.isPresent() ? known.get().query(text) : new PathParser(text).parse());
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
    return !query.segments().isEmpty()
        && query.segments().get(0).selectors().get(0) instanceof Selector.Name first
        && first.name().equals(name);
  }

  /**
   * Everything the path finds, in document order.
   *
   * @param root the whole document
   * @return what was found, with its places; empty if nothing
   * @throws CostlyPath if that would take too long
   */
  public List<FoundNode> find(JsonNode root) {
    return query.find(root, new Search(text, root));
  }

  /**
   * The values of everything the path finds, in document order; cheaper than finding them with their
   * places.
   *
   * @param root the whole document
   * @return the values; empty if nothing
   * @throws CostlyPath if that would take too long
   */
  public List<JsonNode> values(JsonNode root) {
    return query.values(root, new Search(text, root));
  }

  /**
   * The one value a singular path leads to.
   *
   * @param root the whole document
   * @return the value and its place; a missing node, and the place where it would be, if there is none
   */
  public FoundNode findOne(JsonNode root) {
    Location where = Location.ROOT;
    JsonNode value = root;
    for (Segment segment : query.segments()) {
      JsonNode child = segment.single().pick(value);
      where = segment.single().place(where, value);
      value = child == null ? MissingNode.getInstance() : child;
    }
    return new FoundNode(where, value);
  }

  /**
   * Why the path finds nothing: how far it leads and what stands there.
   *
   * @param root the whole document
   * @return a sentence
   */
  public DeadEnd end(JsonNode root) {
    return FurthestReach.of(query, new Search(text, root));
  }

  /**
   * Of a path that leads to many places and on from each of them: how many lead on to nothing.
   *
   * @param root the whole document
   * @return {@code 3 of 12 places have nothing at .tags}; empty if all lead on
   * @throws CostlyPath if that would take too long
   */
  public String without(JsonNode root) {
    List<Segment> segments = query.segments();
    for (int fork = segments.size() - 2; fork >= 0; fork--) {
      if (segments.get(fork).isSingular() || !segments.get(fork + 1).isSingular()) {
        continue;
      }
      int end = fork + 1;
      while (end < segments.size() && segments.get(end).isSingular()) {
        end++;
      }
      List<Segment> rest = segments.subList(fork + 1, end);
      List<JsonNode> places =
          new Query(false, segments.subList(0, fork + 1)).values(root, new Search(text, root));
      long nothing = places.stream()
          .filter(place -> new Query(true, rest).one(place, new Search(text, root)) == null)
          .count();
      if (nothing > 0) {
        return String.format(
            Locale.ROOT,
            "%,d of %,d places have nothing at %s",
            nothing,
            places.size(),
            rest.stream().map(Segment::text).collect(Collectors.joining()));
      }
    }
    return "";
  }

  /** The steps of a singular path, each a name or an index; for those who change a tree. */
  public List<Object> steps() {
    List<Object> steps = new ArrayList<>();
    for (Segment segment : query.segments()) {
      if (segment.isSingular() && segment.single() instanceof Selector.Name name) {
        steps.add(name.name());
      } else if (segment.isSingular() && segment.single() instanceof Selector.Index index) {
        steps.add((int) Math.max(Integer.MIN_VALUE, Math.min(Integer.MAX_VALUE, index.index())));
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
}
