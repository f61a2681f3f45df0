package org.oddlantern.payload;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonSource;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A JSON body under construction, from a record, a map, a text or a file, with values set and removed
 * by path. Immutable and thread-safe: every change gives a new payload. A file is read and the changes
 * are made when the payload is used, by a call or in a check.
 *
 * <pre>{@code
 * var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("hive-"));
 * beeyard.send(Call.post("/hives").json(hive)).must(status(201), body(including(hive)));
 * beeyard.send(Call.post("/hives").json(hive.without("$.kind"))).must(status(422));
 * }</pre>
 */
public final class Payload implements JsonSource {

  private final Function<Function<@Nullable Object, Json>, Json> source;
  private final List<Change> changes;

  private Payload(Function<Function<@Nullable Object, Json>, Json> source, List<Change> changes) {
    this.source = source;
    this.changes = changes;
  }

  /**
   * The payload a value makes: a record, a map, a list or a scalar, by the mapping of the service.
   *
   * @param value the value; null is JSON's null
   * @return the payload
   */
  public static Payload of(@Nullable Object value) {
    return new Payload(written -> written.apply(value), List.of());
  }

  /**
   * The payload a JSON text makes.
   *
   * @param text one JSON document
   * @return the payload
   * @throws IllegalArgumentException if the text is not JSON, with line and column
   */
  public static Payload json(String text) {
    Json tree = parse(text, "the text of a payload");
    return new Payload(written -> tree, List.of());
  }

  /**
   * The payload a JSON file makes. A relative name is looked for on the class path of the suites, then
   * in the folder of the settings file. A file that is missing or not JSON is an {@link
   * IllegalArgumentException} when the payload is first used.
   *
   * @param name the name of the file
   * @return the payload
   */
  public static Payload file(String name) {
    Needed.of(name, "file(name): name");
    Objects.requireNonNull(name, "name of the payload's file");
    return new Payload(
        written -> parse(Resources.current().text(name), "the file '" + name + "'"), List.of());
  }

  /**
   * This payload with a value set. A field that is not there yet is added; the object or list around it
   * must be there.
   *
   * @param path a path to one place
   * @param value the value, as {@link #of} takes it; null sets JSON's null
   * @return the changed payload
   * @throws IllegalArgumentException if the path cannot be read or leads to many places; at first use if
   *     what is around the place is not there
   */
  public Payload with(String path, @Nullable Object value) {
    Needed.of(path, "with(path, value): path");
    return changed(new Change.Setting(TreePath.of(path), value));
  }

  /**
   * This payload with a field or item removed.
   *
   * @param path a path to one place below the root, which must be there when the payload is used
   * @return the changed payload
   * @throws IllegalArgumentException if the path cannot be read, leads to many places or to the root; at
   *     first use if there is nothing at that place
   */
  public Payload without(String path) {
    Needed.of(path, "without(path): path");
    return changed(new Change.Removing(TreePath.of(path)));
  }

  /**
   * This payload with an item added at the end of a list.
   *
   * @param path a path to the list, which must be there when the payload is used
   * @param item the item, as {@link #of} takes it; null adds JSON's null
   * @return the changed payload
   * @throws IllegalArgumentException if the path cannot be read or leads to many places; at first use if
   *     there is no list at that place
   */
  public Payload adding(String path, @Nullable Object item) {
    Needed.of(path, "adding(path, item): path");
    return changed(new Change.Adding(TreePath.of(path), item));
  }

  @Override
  public Json tree(Function<@Nullable Object, Json> written) {
    Needed.of(written, "tree(written): written");
    Json tree = source.apply(written);
    if (changes.isEmpty()) {
      return tree;
    }
    JsonNode copy = Trees.of(tree).deepCopy();
    for (Change change : changes) {
      copy = change.apply(copy, value -> Trees.of(written.apply(value)));
    }
    return Json.of(copy);
  }

  /**
   * The payload as compact JSON text.
   *
   * @return the text
   */
  @Override
  public String toString() {
    return JsonMapping.standard().write(this);
  }

  private Payload changed(Change change) {
    List<Change> more = new ArrayList<>(changes);
    more.add(change);
    return new Payload(source, List.copyOf(more));
  }

  private static Json parse(String text, String what) {
    try {
      return Json.parse(text);
    } catch (NotJson e) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT,
              "%s is not JSON: line %d, column %d: %s",
              what,
              e.line(),
              e.column(),
              e.getMessage()),
          e);
    }
  }
}
