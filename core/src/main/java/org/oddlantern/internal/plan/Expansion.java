package org.oddlantern.internal.plan;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Queue;
import java.util.Set;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;

/** From what classes define to what runs: each case once for each sample, each shared supply once. */
final class Expansion {

  private final DependencyLookup needs;
  private final Sampling sampling;
  private final SampleData data;
  private final Map<Spot, BoundMethod> ownSupplies = new HashMap<>();

  Expansion(DependencyLookup needs, Sampling sampling, SampleData data) {
    this.needs = needs;
    this.sampling = sampling;
    this.data = data;
  }

  /** A case once for each of its samples, or by itself. */
  List<Spot> spots(Maker maker) {
    SamplesDefinition samples = sampling.behind(maker);
    return samples == null
        ? List.of(new Spot(maker, null))
        : data.of(samples).stream().map(sample -> new Spot(maker, sample)).toList();
  }

  /** Some spots and all they need. */
  Set<Spot> reachable(Collection<Spot> roots) {
    Set<Spot> met = new LinkedHashSet<>(roots);
    Queue<Spot> open = new ArrayDeque<>(roots);
    for (Spot spot = open.poll(); spot != null; spot = open.poll()) {
      for (List<Spot> spots : takes(spot).values()) {
        for (Spot before : spots) {
          if (met.add(before)) {
            open.add(before);
          }
        }
      }
    }
    return met;
  }

  /** Where each value comes from that a spot uses; what its own supplies take counts as its own. */
  Map<DependencyLookup.Dependency, List<Spot>> takes(Spot spot) {
    Map<DependencyLookup.Dependency, List<Spot>> takes = new LinkedHashMap<>();
    collect(spot.maker(), spot.sample(), takes, new LinkedHashSet<>());
    return takes;
  }

  private void collect(
      Maker maker,
      @Nullable Sample sample,
      Map<DependencyLookup.Dependency, List<Spot>> takes,
      Set<Maker> met) {
    for (DependencyLookup.Dependency taken : needs.of(maker).all()) {
      if (isOwnSupply(taken)) {
        if (met.add(taken.maker())) {
          collect(taken.maker(), sample, takes, met);
        }
      } else if (!(taken.maker() instanceof SamplesDefinition)) {
        takes.put(taken, spots(taken, sample));
      }
    }
  }

  /** How a spot is called, once every spot has its order number. */
  BoundMethod bound(Maker maker, @Nullable Sample sample, ToIntFunction<Spot> order) {
    DependencyLookup.Dependencies need = needs.of(maker);
    DependencyLookup.PutBack putBack = need.putBack();
    return new BoundMethod(
        maker instanceof CaseDefinition one && sample != null ? one.over(sample) : maker,
        sources(need.taken(), sample, order),
        putBack == null
            ? null
            : new BoundMethod.Cleanup(putBack.tidyUp(), sources(putBack.taken(), sample, order)));
  }

  private Map<ValueParameter, Binding> sources(
      List<DependencyLookup.Dependency> all, @Nullable Sample sample, ToIntFunction<Spot> order) {
    Map<ValueParameter, Binding> sources = new LinkedHashMap<>();
    all.forEach(taken -> sources.put(taken.parameter(), source(taken, sample, order)));
    return sources;
  }

  private Binding source(
      DependencyLookup.Dependency taken, @Nullable Sample sample, ToIntFunction<Spot> order) {
    if (taken.maker() instanceof SamplesDefinition samples) {
      return new Binding.OfSample(
          samples,
          taken.gathered()
              ? data.of(samples).stream().map(Sample::value).toList()
              : Objects.requireNonNull(sample, "a taker of samples has one").value());
    }
    if (isOwnSupply(taken)) {
      Spot spot = new Spot(taken.maker(), sample);
      BoundMethod known = ownSupplies.get(spot);
      if (known == null) {
        known = bound(taken.maker(), sample, order);
        ownSupplies.put(spot, known);
      }
      return new Binding.Supplied(known);
    }
    List<Integer> nodes = new ArrayList<>();
    spots(taken, sample).forEach(spot -> nodes.add(order.applyAsInt(spot)));
    return taken.gathered() ? new Binding.OfAllSamples(nodes) : new Binding.Handed(nodes.get(0));
  }

  private List<Spot> spots(DependencyLookup.Dependency taken, @Nullable Sample sample) {
    if (taken.gathered()) {
      return spots(taken.maker());
    }
    boolean bySample = sampling.behind(taken.maker()) != null;
    return List.of(new Spot(taken.maker(), bySample ? sample : null));
  }

  private static boolean isOwnSupply(DependencyLookup.Dependency taken) {
    return taken.maker() instanceof SupplyDefinition supply && !supply.shared();
  }

  /**
   * A case over one of its samples, or a case or shared supply as it is.
   *
   * @param maker the case or supply as its class defines it
   * @param sample the sample; null if it runs over none
   */
  record Spot(Maker maker, @Nullable Sample sample) {

    /** The case as it will be known. */
    CaseDefinition asCase() {
      if (!(maker instanceof CaseDefinition one)) {
        throw new IllegalStateException(maker.place() + " is no case");
      }
      return sample == null ? one : one.over(sample);
    }

    /** Written out like {@link #equals}: what the JDK makes for a record takes time at every start. */
    @Override
    public int hashCode() {
      return 31 * maker.hashCode() + (sample == null ? 0 : sample.hashCode());
    }

    @Override
    public boolean equals(@Nullable Object other) {
      return other instanceof Spot spot
          && maker.equals(spot.maker)
          && Objects.equals(sample, spot.sample);
    }

    @Override
    public String toString() {
      return sample == null ? maker.name() : maker.name() + "[" + sample.key() + "]";
    }
  }
}
