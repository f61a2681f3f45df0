package org.oddlantern.payload;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** One change to a payload's tree. The tree given to it is its own to change. */
sealed interface Change {

  JsonNode apply(JsonNode tree, Function<@Nullable Object, JsonNode> written);

  /** Sets the value at a place. */
  record Setting(
      TreePath path, List<Object> steps, @Nullable Object value) implements Change {
    Setting(TreePath path, @Nullable Object value) {
      this(path, path.steps(), value);
    }

    @Override
    public JsonNode apply(JsonNode tree, Function<@Nullable Object, JsonNode> written) {
      JsonNode node = written.apply(value);
      if (steps.isEmpty()) {
        return node;
      }
      Parent parent = Parent.find(path, steps, tree);
      if (parent.last() instanceof String name && parent.node() instanceof ObjectNode object) {
        object.set(name, node);
      } else {
        parent.list().set(parent.index(), node);
      }
      return tree;
    }
  }

  /** Adds an item to the list at a place. */
  record Adding(TreePath path, List<Object> steps, @Nullable Object item) implements Change {
    Adding(TreePath path, @Nullable Object item) {
      this(path, path.steps(), item);
    }

    @Override
    public JsonNode apply(JsonNode tree, Function<@Nullable Object, JsonNode> written) {
      FoundNode found = path.findOne(tree);
      if (!(found.value() instanceof ArrayNode list)) {
        String there = found.value().isMissingNode()
            ? path.end(tree).stopped()
            : found.where() + " is " + Words.contents(found.value());
        throw new IllegalArgumentException(
            "the payload cannot be changed at %s: there is no list to add an item to; %s"
                .formatted(path, there));
      }
      list.add(written.apply(item));
      return tree;
    }
  }

  /** Removes what is at a place. */
  record Removing(TreePath path, List<Object> steps) implements Change {
    Removing(TreePath path) {
      this(path, path.steps());
      if (steps.isEmpty()) {
        throw new IllegalArgumentException(
            "without(\"$\") would leave no payload; a call without a body just has none");
      }
    }

    @Override
    public JsonNode apply(JsonNode tree, Function<@Nullable Object, JsonNode> written) {
      Parent parent = Parent.find(path, steps, tree);
      if (parent.last() instanceof String name && parent.node() instanceof ObjectNode object) {
        if (object.remove(name) == null) {
          throw parent.problem(
              "there is no field '" + name + "' to remove",
              NearestMatch.hint(name, object.propertyNames()));
        }
      } else {
        parent.list().remove(parent.index());
      }
      return tree;
    }
  }

  /** What is around the place of a change. */
  record Parent(TreePath path, Location where, JsonNode node, Object last) {

    static Parent find(TreePath path, List<Object> steps, JsonNode tree) {
      JsonNode node = tree;
      Location where = Location.ROOT;
      for (Object step : steps.subList(0, steps.size() - 1)) {
        Parent parent = new Parent(path, where, node, step);
        node = parent.child();
        where = step instanceof String name ? where.child(name) : where.child(parent.index());
      }
      return new Parent(path, where, node, steps.get(steps.size() - 1));
    }

    private JsonNode child() {
      if (last instanceof String name && node instanceof ObjectNode object) {
        JsonNode child = object.get(name);
        if (child == null) {
          throw problem(
              "there is no field '" + name + "'", NearestMatch.hint(name, object.propertyNames()));
        }
        return child;
      }
      return list().get(index());
    }

    ArrayNode list() {
      if (last instanceof Integer && node instanceof ArrayNode array) {
        return array;
      }
      throw problem(
          (last instanceof String name ? "a field '" + name + "'" : "an item " + last)
              + " has no place there",
          "");
    }

    int index() {
      int index = (Integer) last;
      int item = index < 0 ? index + list().size() : index;
      if (item < 0 || item >= list().size()) {
        throw problem("there is no item " + index, "");
      }
      return item;
    }

    IllegalArgumentException problem(String what, String hint) {
      return new IllegalArgumentException("the payload cannot be changed at %s: %s; %s is %s%s"
          .formatted(
              path, what, where, Words.contents(node), hint.isEmpty() ? "" : " (" + hint + ")"));
    }
  }
}
