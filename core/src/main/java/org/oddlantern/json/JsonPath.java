package org.oddlantern.json;

import java.util.List;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A path into a JSON value, all of RFC 9535: names, indexes, slices, wildcards, descendants, filters and
 * the five functions, with I-Regexp (RFC 9485). Immutable and thread-safe.
 *
 * <pre>{@code
 * JsonPath.of("$.hives[?@.queen == true].label").find(reply.json())
 * }</pre>
 */
public final class JsonPath {

  private final TreePath path;

  private JsonPath(TreePath path) {
    this.path = path;
  }

  /**
   * Reads a path. Within a run each path is read once.
   *
   * @param text the path, beginning with {@code $}
   * @return the path
   * @throws BadPath if it is not a path, with a caret where reading stopped
   */
  public static JsonPath of(String text) {
    return new JsonPath(TreePath.of(text));
  }

  /**
   * Whether the path leads to one place at most (RFC 9535, singular query). It follows from how the
   * path is written, not from what it finds.
   *
   * @return true for one place
   */
  public boolean isSingular() {
    return path.isSingular();
  }

  /**
   * Everything the path finds, in document order.
   *
   * @param root the whole document
   * @return what was found, with its places; empty if nothing
   * @throws CostlyPath if that would take too long
   */
  public List<Found> find(Json root) {
    return path.find(root.as(JsonNode.class)).stream()
        .map(found -> new Found(found.where(), Json.of(found.value())))
        .toList();
  }

  /**
   * The values of everything the path finds, in document order; cheaper than finding them with their
   * places.
   *
   * @param root the whole document
   * @return the values; empty if nothing
   * @throws CostlyPath if that would take too long
   */
  public List<Json> values(Json root) {
    return path.values(root.as(JsonNode.class)).stream().map(Json::of).toList();
  }

  @Override
  public String toString() {
    return path.toString();
  }
}
