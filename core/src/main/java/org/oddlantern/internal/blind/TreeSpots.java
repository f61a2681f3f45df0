package org.oddlantern.internal.blind;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** The places of a tree and how each can be changed. Of a list the first, the middle and the last item. */
final class TreeSpots {

  private static final int MOST = 3_000;

  private final TreeChange tree;
  private final SeenValues seen;
  private final Function<JsonNode, Object> answer;
  private final List<Change> changes = new ArrayList<>();

  private TreeSpots(JsonNode root, SeenValues seen, Function<JsonNode, Object> answer) {
    this.tree = new TreeChange(root);
    this.seen = seen;
    this.answer = answer;
  }

  /**
   * All changes.
   *
   * @param root the tree
   * @param seen what was seen where
   * @param around what the places belong to; null if nothing
   * @param answer makes an answer of a changed tree
   */
  static List<Change> changes(
      JsonNode root, SeenValues seen, @Nullable Spot around, Function<JsonNode, Object> answer) {
    TreeSpots spots = new TreeSpots(root, seen, answer);
    spots.walk(root, Location.ROOT, "$", around, false);
    return spots.changes;
  }

  private void walk(
      JsonNode value, Location at, String place, @Nullable Spot around, boolean inItem) {
    if (changes.size() > MOST) {
      return;
    }
    boolean inside = value.isObject() && !value.isEmpty() && !inItem;
    Spot spot = new Spot(place, around, inside, value);
    add(spot, ChangeKind.OTHER_KIND, at, TreeChange::otherKind);
    values(value, spot, at);
    if (isField(at)) {
      changes.add(new Change(spot, ChangeKind.MISSING, () -> answer.apply(tree.without(at))));
    }
    if (!value.isNull()) {
      add(spot, ChangeKind.NULL, at, any -> JsonNodeFactory.instance.nullNode());
    }
    Spot owner = inside ? spot : around;
    if (value.isObject()) {
      for (String name : value.propertyNames()) {
        Location field = at.child(name);
        String told = place + Location.ROOT.child(name).toString().substring(1);
        walk(value.path(name), field, told, owner, inItem);
      }
    } else if (value.isArray()) {
      for (int item : some(value.size())) {
        walk(value.path(item), at.child(item), place + "[*]", owner, true);
      }
    }
  }

  private static boolean isField(Location at) {
    List<Location> steps = at.steps();
    return !steps.isEmpty() && steps.get(steps.size() - 1).index() < 0;
  }

  static Set<Integer> some(int size) {
    Set<Integer> some = new LinkedHashSet<>();
    if (size > 0) {
      some.addAll(List.of(0, size / 2, size - 1));
    }
    return some;
  }

  private void values(JsonNode value, Spot spot, Location at) {
    if (value.isNumber()) {
      add(spot, ChangeKind.ONE_MORE, at, one -> TreeChange.plus(one, 1));
      add(spot, ChangeKind.ONE_LESS, at, one -> TreeChange.plus(one, -1));
    } else if (value.isString()) {
      add(
          spot,
          ChangeKind.OTHER_TEXT,
          at,
          one -> JsonNodeFactory.instance.stringNode(OtherText.of(one.stringValue())));
    } else if (value.isBoolean()) {
      add(
          spot,
          ChangeKind.OTHER_TRUTH,
          at,
          one -> JsonNodeFactory.instance.booleanNode(!one.booleanValue()));
    } else if (value.isArray()) {
      sizes(value, spot, at);
    }
    JsonNode other = value.isBoolean() ? null : seen.other(spot.place(), value);
    if (other != null) {
      add(spot, ChangeKind.SEEN_ELSEWHERE, at, any -> other);
    }
  }

  private void sizes(JsonNode list, Spot spot, Location at) {
    if (list.isEmpty()) {
      return;
    }
    add(spot, ChangeKind.EMPTY, at, any -> JsonNodeFactory.instance.arrayNode());
    if (list.size() > 1) {
      add(spot, ChangeKind.SHORTER, at, TreeChange::shorter);
    }
    add(spot, ChangeKind.DOUBLED, at, TreeChange::doubled);
    if (!TreeChange.turned(list).equals(list)) {
      add(spot, ChangeKind.OTHER_ORDER, at, TreeChange::turned);
    }
  }

  private void add(Spot spot, ChangeKind kind, Location at, UnaryOperator<JsonNode> other) {
    changes.add(new Change(spot, kind, () -> answer.apply(tree.with(at, other))));
  }
}
