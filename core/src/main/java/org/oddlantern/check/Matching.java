package org.oddlantern.check;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.WantedValue;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Gives each wanted shape an item of its own, as many as can be. Plain values come first: they fit equal
 * items only, which are all alike to every shape. The rest is a matching in a graph, found by
 * augmenting paths.
 */
final class Matching {

  private static final int NONE = -1;
  private static final long MOST_TRIED = 4_000_000;
  private static final Deque<Integer> NOWHERE = new ArrayDeque<>(0);

  private final List<NodeShape> shapes;
  private final JsonNode items;
  private final boolean untyped;
  private final Map<Long, Deque<Integer>> places = new HashMap<>();
  private final int[] itemOf;
  private final int[] shapeOf;

  private Matching(List<NodeShape> shapes, JsonNode items) {
    this.shapes = shapes;
    this.items = items;
    this.itemOf = new int[shapes.size()];
    this.shapeOf = new int[items.size()];
    Arrays.fill(itemOf, NONE);
    Arrays.fill(shapeOf, NONE);
    this.untyped = UntypedText.isIn(items);
    for (int j = 0; j < items.size(); j++) {
      places.computeIfAbsent(print(items.get(j)), key -> new ArrayDeque<>(1)).add(j);
    }
  }

  static Matching of(List<NodeShape> shapes, JsonNode items) {
    Matching matching = new Matching(shapes, items);
    matching.matchValues();
    matching.matchShapes();
    return matching;
  }

  List<Integer> openShapes() {
    return open(itemOf);
  }

  List<Integer> openItems() {
    return open(shapeOf);
  }

  private void matchValues() {
    if (untyped) {
      return; // what they are equal to depends on who asks
    }
    for (int i = 0; i < shapes.size(); i++) {
      if (shapes.get(i) instanceof WantedValue value && value.isPlain()) {
        Deque<Integer> candidates = alike(value);
        if (!candidates.isEmpty() && Equality.same(value.tree(), items.get(candidates.element()))) {
          int item = candidates.remove();
          itemOf[i] = item;
          shapeOf[item] = i;
        }
      }
    }
  }

  private void matchShapes() {
    List<Integer> free = openItems();
    Map<Integer, Collection<Integer>> candidates = new LinkedHashMap<>();
    long tried = 0;
    for (int i : openShapes()) {
      boolean plain = shapes.get(i) instanceof WantedValue value && value.isPlain();
      if (!plain) {
        candidates.put(i, free);
        tried += free.size();
      } else if (untyped) {
        candidates.put(i, alike((WantedValue) shapes.get(i)));
      }
    }
    if (tried > MOST_TRIED) {
      throw new IllegalArgumentException(String.format(
          Locale.ROOT,
          "%,d shapes and %,d items in any order are too many to be tried; give plain values, or use eachItem",
          candidates.size(),
          free.size()));
    }
    Map<Integer, List<Integer>> fits = new HashMap<>();
    candidates.forEach((i, all) -> fits.put(
        i,
        all.stream()
            .filter(j -> shapes.get(i).examine(Location.ROOT, items.get(j)).isEmpty())
            .toList()));
    for (int i : candidates.keySet()) {
      augment(i, fits);
    }
  }

  /** The items that may be equal to it. */
  private Deque<Integer> alike(WantedValue value) {
    return places.getOrDefault(print(value.tree()), NOWHERE);
  }

  private long print(JsonNode node) {
    return Equality.fingerprint(untyped ? UntypedText.readIn(node) : node);
  }

  /** Looks for an item, moving others to items that suit them too; breadth first, without recursion. */
  private void augment(int start, Map<Integer, List<Integer>> fits) {
    Map<Integer, Integer> reachedFrom = new HashMap<>();
    Queue<Integer> queue = new ArrayDeque<>(List.of(start));
    while (!queue.isEmpty()) {
      int shape = queue.remove();
      for (int item : fits.getOrDefault(shape, List.of())) {
        if (reachedFrom.putIfAbsent(item, shape) != null) {
          continue;
        }
        if (shapeOf[item] == NONE) {
          assign(item, reachedFrom);
          return;
        }
        queue.add(shapeOf[item]);
      }
    }
  }

  private void assign(int end, Map<Integer, Integer> reachedFrom) {
    int item = end;
    while (item != NONE) {
      int shape = reachedFrom.getOrDefault(item, NONE);
      int before = itemOf[shape];
      itemOf[shape] = item;
      shapeOf[item] = shape;
      item = before;
    }
  }

  private static List<Integer> open(int[] partners) {
    List<Integer> open = new ArrayList<>();
    for (int i = 0; i < partners.length; i++) {
      if (partners[i] == NONE) {
        open.add(i);
      }
    }
    return open;
  }
}
