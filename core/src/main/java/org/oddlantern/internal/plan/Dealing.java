package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.oddlantern.internal.plan.Expansion.Spot;

/** Deals whole chains of cases to the parts of a run: rule 24. */
final class Dealing {

  private final List<Spot> spots;
  private final RunPart part;
  private final int[] chain;

  /**
   * A dealing.
   *
   * @param spots what runs
   * @param graph who takes from whom and who waits for whom
   * @param part which part is asked for
   */
  Dealing(List<Spot> spots, Graph graph, RunPart part) {
    this.spots = spots;
    this.part = part;
    this.chain = new int[spots.size()];
    for (int i = 0; i < chain.length; i++) {
      chain[i] = i;
    }
    for (int i = 0; i < chain.length; i++) {
      if (isCase(i)) {
        for (int before : graph.before(i)) {
          if (isCase(before)) {
            chain[root(i)] = root(before);
          }
        }
      }
    }
  }

  /** The cases of the part. */
  Set<Spot> cases() {
    double mean =
        part.micros().values().stream().mapToLong(Long::longValue).average().orElse(1);
    Map<Integer, Chain> chains = new TreeMap<>();
    for (int i = 0; i < spots.size(); i++) {
      if (isCase(i)) {
        String name = spots.get(i).asCase().id().toString();
        Long known = part.micros().get(name);
        chains
            .computeIfAbsent(root(i), key -> new Chain())
            .add(spots.get(i), name, known == null ? mean : known);
      }
    }
    List<Chain> biggestFirst = new ArrayList<>(chains.values());
    biggestFirst.sort(
        Comparator.comparingDouble((Chain one) -> -one.weight).thenComparing(one -> one.name));
    double[] full = new double[part.of()];
    Set<Spot> own = new HashSet<>();
    for (Chain one : biggestFirst) {
      int emptiest = 0;
      for (int i = 1; i < full.length; i++) {
        emptiest = full[i] < full[emptiest] ? i : emptiest;
      }
      full[emptiest] += one.weight;
      if (emptiest == part.number() - 1) {
        own.addAll(one.cases);
      }
    }
    return own;
  }

  private boolean isCase(int i) {
    return spots.get(i).maker() instanceof CaseDefinition;
  }

  private int root(int i) {
    int root = i;
    while (chain[root] != root) {
      chain[root] = chain[chain[root]];
      root = chain[root];
    }
    return root;
  }

  /** Cases that stay together. */
  private static final class Chain {
    private final List<Spot> cases = new ArrayList<>();
    private double weight;
    private String name = "";

    void add(Spot spot, String id, double micros) {
      cases.add(spot);
      weight += micros;
      name = name.isEmpty() || id.compareTo(name) < 0 ? id : name;
    }
  }
}
