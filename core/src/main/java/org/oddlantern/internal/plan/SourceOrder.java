package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.oddlantern.internal.plan.Expansion.Spot;

/** Puts what runs in the order of the source, each shared supply before the first case that needs it. */
final class SourceOrder {

  private final Map<CaseId, Integer> places = new HashMap<>();
  private final Expansion expansion;

  /**
   * An order.
   *
   * @param known all cases of the places, as found
   * @param met what runs; it may be of classes elsewhere, which come last, by name
   * @param reader reads those
   * @param expansion tells who takes what
   */
  SourceOrder(
      List<CaseDefinition> known, Collection<Spot> met, SuiteReader reader, Expansion expansion) {
    this.expansion = expansion;
    Set<Class<?>> here = new HashSet<>();
    for (CaseDefinition one : known) {
      here.add(one.suite());
      places.putIfAbsent(one.origin(), places.size());
    }
    Map<String, Class<?>> elsewhere = new TreeMap<>();
    for (Spot spot : met) {
      if (!here.contains(spot.maker().suite())) {
        elsewhere.put(spot.maker().suite().getName(), spot.maker().suite());
      }
    }
    for (Class<?> suite : elsewhere.values()) {
      reader.cases(suite).forEach(one -> places.putIfAbsent(one.origin(), places.size()));
    }
  }

  List<Spot> of(Collection<Spot> met) {
    List<Spot> cases = new ArrayList<>();
    for (Spot spot : met) {
      if (spot.maker() instanceof CaseDefinition) {
        cases.add(spot);
      }
    }
    cases.sort(Comparator.comparing(this::place)
        .thenComparing(spot -> spot.maker().environment())
        .thenComparing(spot -> spot.sample() == null ? 0 : spot.sample().number()));
    List<Spot> ordered = new ArrayList<>();
    Set<Spot> done = new HashSet<>();
    for (Spot one : cases) {
      addSupplies(one, ordered, done);
      ordered.add(one);
    }
    return ordered;
  }

  /** The shared supplies that a spot takes, after those that they take. */
  private void addSupplies(Spot spot, List<Spot> ordered, Set<Spot> done) {
    for (List<Spot> makers : expansion.takes(spot).values()) {
      for (Spot maker : makers) {
        if (maker.maker() instanceof SupplyDefinition && done.add(maker)) {
          addSupplies(maker, ordered, done);
          ordered.add(maker);
        }
      }
    }
  }

  private int place(Spot spot) {
    return spot.maker() instanceof CaseDefinition one ? places.getOrDefault(one.origin(), 0) : 0;
  }
}
