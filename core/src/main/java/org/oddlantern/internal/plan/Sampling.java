package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;

/** Which cases and supplies run by sample, and over which samples: rule 18. */
final class Sampling {

  private final List<DependencyLookup.Dependencies> needs;
  private final Map<Maker, Integer> index = new HashMap<>();
  private final Map<Maker, SamplesDefinition> behind = new HashMap<>();
  private final List<PlanProblem> problems = new ArrayList<>();
  private final Set<Maker> ordered = new HashSet<>();

  Sampling(List<DependencyLookup.Dependencies> needs) {
    this.needs = needs;
    needs.forEach(need -> index.put(need.maker(), index.size()));
    List<Set<Integer>> after = new ArrayList<>();
    for (DependencyLookup.Dependencies need : needs) {
      Set<Integer> before = new LinkedHashSet<>();
      need.all().forEach(taken -> before.add(at(taken.maker())));
      after.add(before);
    }
    Circles circles = Circles.in(after);
    circles.rings().forEach(this::circle);
    for (int node : circles.sorted()) {
      ordered.add(needs.get(node).maker());
      look(needs.get(node));
    }
  }

  /** The samples that a case or supply runs over; null if none. */
  @Nullable
  SamplesDefinition behind(Maker maker) {
    return maker instanceof SamplesDefinition samples ? samples : behind.get(maker);
  }

  /** Whether it has an order: it is in no circle, and needs nothing that is. */
  boolean isOrdered(Maker maker) {
    return ordered.contains(maker);
  }

  List<PlanProblem> problems() {
    return problems;
  }

  private int at(Maker maker) {
    return index.getOrDefault(maker, 0);
  }

  private void look(DependencyLookup.Dependencies need) {
    Maker maker = need.maker();
    Set<SamplesDefinition> found = new LinkedHashSet<>();
    for (DependencyLookup.Dependency taken : need.taken()) {
      SamplesDefinition samples = behind(taken.maker());
      if (taken.gathered() && samples == null) {
        problem(
            maker,
            "it takes %s, and nothing makes one; %s makes one %s, so take that"
                .formatted(
                    Words.of(taken.parameter().type()),
                    taken.maker().place(),
                    Words.of(
                        taken.maker().handsOn() == null
                            ? void.class
                            : taken.maker().handsOn())));
      } else if (!taken.gathered() && samples != null) {
        found.add(samples);
      }
    }
    if (found.size() > 1) {
      List<SamplesDefinition> all = List.copyOf(found);
      problem(
          maker,
          "it takes samples of two methods, %s and %s; a case runs over the samples of one, so make one method of both"
              .formatted(all.get(0).place(), all.get(1).place()));
    }
    if (!found.isEmpty() && maker instanceof SupplyDefinition supply && supply.shared()) {
      problem(
          maker,
          "it is shared, but depends on the samples of %s, of which there are several; let it not be shared"
              .formatted(List.copyOf(found).get(0).place()));
    } else if (!found.isEmpty()) {
      behind.put(maker, found.iterator().next());
    }
    need.taken().forEach(taken -> lookAtUse(need, taken));
  }

  /** What cannot be done to one value from several samples, or in several tries. */
  private void lookAtUse(DependencyLookup.Dependencies need, DependencyLookup.Dependency taken) {
    ValueParameter.Use use = taken.parameter().use();
    boolean ownOne = taken.maker() instanceof SupplyDefinition supply && !supply.shared();
    if (use == ValueParameter.Use.READS
        || ownOne
        || !(need.maker() instanceof CaseDefinition taker)) {
      return;
    }
    String does = use == ValueParameter.Use.CHANGES ? "changes" : "uses up";
    SamplesDefinition samples = behind(taker);
    if (samples != null && (taken.gathered() || behind(taken.maker()) == null)) {
      problem(
          taker,
          "it runs once for each sample of %s, and each would %s the one value that %s makes"
              .formatted(
                  samples.name(),
                  use == ValueParameter.Use.CHANGES ? "change" : "use up",
                  taken.maker().name()));
    }
    if (taker.marks().tries() > 1) {
      problem(
          taker,
          "it has @Retries and %s what %s makes; a second try would meet what the first one left"
              .formatted(does, taken.maker().name()));
    }
  }

  private void circle(List<Integer> ring) {
    List<String> way = new ArrayList<>();
    ring.forEach(node -> way.add(needs.get(node).maker().name()));
    way.add(way.get(0));
    problem(
        needs.get(ring.get(0)).maker(),
        "it is part of a circle, each takes what the next one makes: " + String.join(" -> ", way));
  }

  private void problem(Maker maker, String message) {
    problems.add(new PlanProblem(maker.place(), message));
  }
}
