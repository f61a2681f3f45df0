package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.oddlantern.internal.plan.Expansion.Spot;

/** Who takes from whom and who waits for whom: rules 9 to 11 of the rules for values. */
final class Graph {

  private final List<Spot> spots;
  private final Map<Spot, Integer> index = new HashMap<>();
  private final List<Map<DependencyLookup.Dependency, List<Spot>>> takes;
  private final List<Set<Integer>> after = new ArrayList<>();
  private final List<PlanProblem> problems = new ArrayList<>();
  private List<BitSet> lineage = List.of();

  /**
   * A graph.
   *
   * @param spots what runs, in source order
   * @param expansion tells what each takes
   */
  Graph(List<Spot> spots, Expansion expansion) {
    this.spots = spots;
    spots.forEach(spot -> index.put(spot, index.size()));
    takes = spots.stream().map(expansion::takes).toList();
    for (Map<DependencyLookup.Dependency, List<Spot>> from : takes) {
      Set<Integer> makers = new LinkedHashSet<>();
      from.values().forEach(all -> all.forEach(spot -> makers.add(at(spot))));
      after.add(makers);
    }
    order();
  }

  List<PlanProblem> problems() {
    return problems;
  }

  /** Everything that one depends on or waits for, through supplies too. */
  Set<Integer> before(int i) {
    Set<Integer> before = new LinkedHashSet<>(after.get(i));
    lineage.get(i).stream().forEach(before::add);
    return before;
  }

  int at(Spot spot) {
    return index.getOrDefault(spot, 0);
  }

  /** Everything that will run, once nothing is wrong. */
  List<Planned> planned(Expansion expansion, Set<Spot> selected) {
    return IntStream.range(0, spots.size())
        .mapToObj(i -> planned(i, expansion, selected))
        .toList();
  }

  private Planned planned(int i, Expansion expansion, Set<Spot> selected) {
    Spot spot = spots.get(i);
    BoundMethod bound = expansion.bound(spot.maker(), spot.sample(), this::at);
    List<Integer> values = lineage.get(i).stream().boxed().toList();
    return spot.maker() instanceof SupplyDefinition supply
        ? new PlannedSupply(supply, i, bound, Set.copyOf(after.get(i)), values)
        : new PlannedCase(
            spot.asCase(),
            i,
            !selected.contains(spot),
            bound,
            Set.copyOf(after.get(i)),
            values,
            values(i, ValueParameter.Use.CHANGES),
            values(i, ValueParameter.Use.USES_UP));
  }

  private List<Integer> values(int taker, ValueParameter.Use use) {
    Set<Integer> values = Set.of(); // as of most
    for (Map.Entry<DependencyLookup.Dependency, List<Spot>> one :
        takes.get(taker).entrySet()) {
      if (one.getKey().parameter().use() == use) {
        values = values.isEmpty() ? new LinkedHashSet<>() : values;
        for (Spot spot : one.getValue()) {
          values.add(at(spot));
        }
      }
    }
    return List.copyOf(values);
  }

  private void order() {
    lineage = Circles.in(after).lineages(after);
    Map<Integer, List<Integer>> changers = users(ValueParameter.Use.CHANGES);
    Map<Integer, List<Integer>> removers = users(ValueParameter.Use.USES_UP);
    Stream.of(changers, removers)
        .flatMap(all -> all.keySet().stream())
        .distinct()
        .sorted()
        .forEach(maker -> orderChangers(
            maker,
            changers.getOrDefault(maker, List.of()),
            removers.getOrDefault(maker, List.of())));
    if (problems.isEmpty()) {
      Circles.in(after).rings().forEach(ring -> problems.add(circle(ring)));
    }
  }

  /** Puts the changers of one value in order, and every user before the next change it does not know. */
  private void orderChangers(int maker, List<Integer> changing, List<Integer> removers) {
    List<Integer> changers = inOrder(changing);
    if (removers.size() > 1) {
      problems.add(problem(
          removers.get(1),
          "it uses up what " + place(maker) + " makes, and so does " + place(removers.get(0))
              + "; a value is used up once"));
      return;
    }
    for (int remover : removers) {
      changers.stream()
          .filter(changer -> lineage.get(changer).get(remover))
          .forEach(changer -> problems.add(
              problem(changer, "it changes what " + place(remover) + " has used up by then")));
      changers.add(remover);
    }
    for (int user = 0; user < spots.size(); user++) {
      if (lineage.get(user).get(maker)) {
        for (int k = stage(user, changers); k < changers.size(); k++) {
          if (changers.get(k) != user) {
            after.get(changers.get(k)).add(user);
          }
        }
      }
    }
  }

  /** How many changers a user depends on, up to the last one. */
  private int stage(int user, List<Integer> changers) {
    int stage = changers.indexOf(user) + 1;
    for (int k = 0; k < changers.size(); k++) {
      if (lineage.get(user).get(changers.get(k))) {
        stage = Math.max(stage, k + 1);
      }
    }
    return stage;
  }

  /** Changers by what they take from each other, then by source position. */
  private List<Integer> inOrder(List<Integer> changers) {
    List<Integer> open = new ArrayList<>(changers);
    List<Integer> ordered = new ArrayList<>();
    while (!open.isEmpty()) {
      Integer next = open.stream()
          .filter(one -> open.stream().noneMatch(other -> lineage.get(one).get(other)))
          .findFirst()
          .orElseThrow();
      open.remove(next);
      ordered.add(next);
    }
    return ordered;
  }

  /** Who uses values in that way, by the maker of the value. */
  private Map<Integer, List<Integer>> users(ValueParameter.Use use) {
    Map<Integer, List<Integer>> users = new LinkedHashMap<>();
    for (int user = 0; user < spots.size(); user++) {
      for (int maker : values(user, use)) {
        users.computeIfAbsent(maker, key -> new ArrayList<>()).add(user);
      }
    }
    return users;
  }

  private PlanProblem circle(List<Integer> ring) {
    String way = ring.stream().map(this::place).collect(Collectors.joining(" -> "));
    return problem(
        ring.get(0),
        "it is part of a circle, each would have to run after the next one; one changes or uses up what another still reads: "
            + way + " -> " + place(ring.get(0)));
  }

  private PlanProblem problem(int at, String message) {
    return new PlanProblem(spots.get(at).maker().place(), message);
  }

  private String place(int at) {
    return spots.get(at).toString();
  }
}
