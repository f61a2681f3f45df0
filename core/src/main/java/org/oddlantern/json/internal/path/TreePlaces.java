package org.oddlantern.json.internal.path;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.NullNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Copies of trees in which what paths lead to is another thing. */
public final class TreePlaces {

  private TreePlaces() {}

  /**
   * A tree without what paths lead to: fields are gone, items are null.
   *
   * @param tree the tree, which stays as it is
   * @param paths the paths
   * @return a copy
   */
  public static JsonNode without(JsonNode tree, List<TreePath> paths) {
    JsonNode copy = tree.deepCopy();
    for (TreePath path : paths) {
      for (FoundNode found : path.find(tree)) {
        copy = replaced(copy, found.where(), null);
      }
    }
    return copy;
  }

  /**
   * A tree that has at some places what another has there, if that has anything there.
   *
   * @param tree the tree, which stays as it is
   * @param paths what leads to the places
   * @param other the other tree
   * @return a copy
   */
  public static JsonNode keeping(JsonNode tree, List<TreePath> paths, JsonNode other) {
    JsonNode copy = tree.deepCopy();
    for (TreePath path : paths) {
      for (FoundNode found : path.find(tree)) {
        JsonNode there = at(other, found.where());
        if (there != null) {
          copy = replaced(copy, found.where(), there);
        }
      }
    }
    return copy;
  }

  /**
   * A tree whose objects have their members in the order in which another has them, new ones at the end.
   *
   * @param tree the tree, which stays as it is
   * @param other the other tree
   * @return a copy
   */
  public static JsonNode inOrderOf(JsonNode tree, JsonNode other) {
    if (tree instanceof ObjectNode object && other instanceof ObjectNode old) {
      ObjectNode ordered = object.objectNode();
      for (Map.Entry<String, JsonNode> member : old.properties()) {
        JsonNode now = object.get(member.getKey());
        if (now != null) {
          ordered.set(member.getKey(), inOrderOf(now, member.getValue()));
        }
      }
      object.properties().forEach(member -> {
        if (!old.has(member.getKey())) {
          ordered.set(member.getKey(), member.getValue());
        }
      });
      return ordered;
    }
    if (tree instanceof ArrayNode list && other instanceof ArrayNode old) {
      ArrayNode ordered = list.arrayNode();
      for (int i = 0; i < list.size(); i++) {
        ordered.add(i < old.size() ? inOrderOf(list.get(i), old.get(i)) : list.get(i));
      }
      return ordered;
    }
    return tree;
  }

  private static @Nullable JsonNode at(JsonNode tree, Location where) {
    JsonNode node = tree;
    for (Location step : where.steps()) {
      node = step.index() < 0 ? node.get(step.name()) : node.get(step.index());
      if (node == null) {
        return null;
      }
    }
    return node;
  }

  /** What replaces it is null where it is to be gone. */
  private static JsonNode replaced(JsonNode tree, Location where, @Nullable JsonNode by) {
    List<Location> steps = where.steps();
    if (steps.isEmpty()) {
      return by == null ? NullNode.getInstance() : by;
    }
    Location last = steps.get(steps.size() - 1);
    JsonNode above = tree;
    for (Location step : steps.subList(0, steps.size() - 1)) {
      above = step.index() < 0 ? above.get(step.name()) : above.get(step.index());
      if (above == null) {
        return tree; // it went with something around it
      }
    }
    if (above instanceof ObjectNode object) {
      if (by == null) {
        object.remove(last.name());
      } else {
        object.set(last.name(), by);
      }
    } else if (above instanceof ArrayNode list) {
      list.set(last.index(), by == null ? NullNode.getInstance() : by);
    }
    return tree;
  }
}
