package org.oddlantern.internal.plan;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Set;

/**
 * The circles of a graph in which every node names the nodes it comes after.
 *
 * @param rings one ring of each knot, each node coming after the next
 * @param sorted the nodes outside all knots, in an order that respects the graph
 */
record Circles(List<List<Integer>> rings, List<Integer> sorted) {

  static Circles in(List<Set<Integer>> after) {
    int[] open = new int[after.size()];
    List<List<Integer>> followers = new ArrayList<>();
    after.forEach(all -> followers.add(new ArrayList<>()));
    Deque<Integer> free = new ArrayDeque<>();
    for (int node = 0; node < after.size(); node++) {
      open[node] = after.get(node).size();
      for (int before : after.get(node)) {
        followers.get(before).add(node);
      }
      if (open[node] == 0) {
        free.add(node);
      }
    }
    List<Integer> sorted = new ArrayList<>();
    while (!free.isEmpty()) {
      int node = free.remove();
      sorted.add(node);
      for (int follower : followers.get(node)) {
        if (--open[follower] == 0) {
          free.add(follower);
        }
      }
    }
    return new Circles(rings(after, sorted), sorted);
  }

  boolean isEmpty() {
    return rings.isEmpty();
  }

  /** For each node all nodes it comes after, directly or not; the graph has no circle. */
  List<BitSet> lineages(List<Set<Integer>> after) {
    List<BitSet> lineages = new ArrayList<>();
    after.forEach(all -> lineages.add(new BitSet()));
    for (int node : sorted) {
      for (int before : after.get(node)) {
        lineages.get(node).set(before);
        lineages.get(node).or(lineages.get(before));
      }
    }
    return lineages;
  }

  private static List<List<Integer>> rings(List<Set<Integer>> after, List<Integer> sorted) {
    BitSet done = new BitSet();
    sorted.forEach(done::set);
    List<List<Integer>> rings = new ArrayList<>();
    for (int start = done.nextClearBit(0); start < after.size(); start = done.nextClearBit(start)) {
      List<Integer> way = new ArrayList<>();
      int node = start;
      while (!done.get(node)) {
        done.set(node);
        way.add(node);
        node = nextOnWay(after.get(node), sorted);
      }
      if (way.contains(node)) {
        rings.add(way.subList(way.indexOf(node), way.size()));
      }
    }
    return rings;
  }

  /** A node outside the sorted ones comes after at least one other such node. */
  private static int nextOnWay(Set<Integer> before, List<Integer> sorted) {
    return before.stream().filter(node -> !sorted.contains(node)).findFirst().orElseThrow();
  }
}
