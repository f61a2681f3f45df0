package org.oddlantern.json.internal;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Finds what a list item is known by: its {@code id}, or a field that serves as one. */
public final class Identity {

  /** In the order in which they are tried; spelling of words aside. */
  private static final List<String> NAMES = List.of(
      "id",
      "uuid",
      "guid",
      "key",
      "code",
      "number",
      "slug",
      "ref",
      "reference",
      "email",
      "login",
      "username",
      "name",
      "label",
      "title");

  private static final int LONGEST = 60;

  private Identity() {}

  /**
   * What an item is known by.
   *
   * @param item a list item
   * @return {@code id 4711}; empty if it has no such field
   */
  public static String of(JsonNode item) {
    return field(item).map(name -> told(name, item.get(name))).orElse("");
  }

  /**
   * What an item is known by, at a path of it.
   *
   * @param item a list item
   * @param path a path to one place
   * @return {@code queen.tag B-17}; empty if there is nothing there
   */
  public static String of(JsonNode item, TreePath path) {
    JsonNode value = path.findOne(item).value();
    String name = path.toString().replaceFirst("^\\$\\.?", "");
    return value.isMissingNode() ? "" : told(name.isEmpty() ? "item" : name, value);
  }

  /**
   * What the innermost list item around a place is known by.
   *
   * @param root the whole document
   * @param where a place in it
   * @return {@code id 4711}; empty if no item around it has such a field
   */
  public static String around(JsonNode root, Location where) {
    String identity = "";
    JsonNode value = root;
    for (Location step : where.steps()) {
      value = Trees.at(step, value);
      if (value == null) {
        break;
      }
      String own = step.index() >= 0 ? of(value) : "";
      identity = own.isEmpty() ? identity : own;
    }
    return identity;
  }

  /** The field that an item is known by. */
  static Optional<String> field(JsonNode item) {
    if (!item.isObject()) {
      return Optional.empty();
    }
    for (String name : NAMES) {
      if (isScalar(item.get(name))) {
        return Optional.of(name);
      }
    }
    for (Map.Entry<String, JsonNode> member : item.properties()) {
      if (isLikeAnId(member.getKey()) && isScalar(member.getValue())) {
        return Optional.of(member.getKey());
      }
    }
    return Optional.empty();
  }

  private static boolean isLikeAnId(String name) {
    String folded = name.toLowerCase(Locale.ROOT);
    return folded.equals("_id")
        || name.endsWith("Id")
        || name.endsWith("ID")
        || folded.endsWith("_id");
  }

  private static boolean isScalar(@Nullable JsonNode value) {
    return value != null && (value.isString() || value.isNumber());
  }

  private static String told(String name, JsonNode value) {
    String text = value.isString() ? value.stringValue() : Words.of(value);
    String shown = Visible.of(text.length() > LONGEST ? text.substring(0, LONGEST) + "..." : text);
    return name + " " + (value.isString() && shown.contains(" ") ? "\"" + shown + "\"" : shown);
  }
}
