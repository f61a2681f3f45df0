package org.oddlantern.check;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import org.oddlantern.json.Equality;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.UntypedTexts;
import org.oddlantern.json.WantedValue;
import tools.jackson.databind.JsonNode;

/**
 * Gives each wanted shape an item of its own, as many as can be. Plain values come first: they fit equal
 * items only, which are all alike to every shape. The rest is a matching in a graph, found by
 * augmenting paths.
 */
final class Matching {

  private static final int NONE = -1;
  private static final long MOST_TRIED = 4_000_000;

  private final List<Shape> shapes;
  private final JsonNode items;
  private final int[] itemOf;
  private final int[] shapeOf;

  private Matching(List<Shape> shapes, JsonNode items) {
    this.shapes = shapes;
    this.items = items;
    this.itemOf = new int[shapes.size()];
    this.shapeOf = new int[items.size()];
    Arrays.fill(itemOf, NONE);
    Arrays.fill(shapeOf, NONE);
  }

  static Matching of(List<Shape> shapes, JsonNode items) {
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
    if (items instanceof UntypedTexts) {
      return; // what they are equal to depends on who asks
    }
    Map<Long, Queue<Integer>> places = new HashMap<>();
    for (int j = 0; j < items.size(); j++) {
      places
          .computeIfAbsent(Equality.fingerprint(items.get(j)), key -> new ArrayDeque<>(1))
          .add(j);
    }
    for (int i = 0; i < shapes.size(); i++) {
      if (shapes.get(i) instanceof WantedValue value && value.isPlain()) {
        Queue<Integer> candidates = places.get(Equality.fingerprint(value.tree()));
        if (candidates != null
            && !candidates.isEmpty()
            && Equality.same(value.tree(), items.get(candidates.element()))) {
          int item = candidates.remove();
          itemOf[i] = item;
          shapeOf[item] = i;
        }
      }
    }
  }

  private void matchShapes() {
    List<Integer> open = new ArrayList<>();
    for (int i : openShapes()) {
      boolean settled = shapes.get(i) instanceof WantedValue value
          && value.isPlain()
          && !(items instanceof UntypedTexts);
      if (!settled) {
        open.add(i);
      }
    }
    List<Integer> free = openItems();
    if ((long) open.size() * free.size() > MOST_TRIED) {
      throw new IllegalArgumentException(String.format(
          Locale.ROOT,
          "%,d shapes and %,d items in any order are too many to be tried; give plain values, or use eachItem",
          open.size(),
          free.size()));
    }
    Map<Integer, List<Integer>> fits = new HashMap<>();
    for (int i : open) {
      fits.put(
          i,
          free.stream()
              .filter(j -> shapes.get(i).examine(Location.ROOT, items.get(j)).isEmpty())
              .toList());
    }
    for (int i : open) {
      augment(i, fits);
    }
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
