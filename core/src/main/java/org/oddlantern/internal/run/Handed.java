package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Binding;
import org.oddlantern.internal.plan.BoundMethod;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.Maker;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.SupplyDefinition;
import org.oddlantern.internal.record.Outcome;

/** What came of everything that has run, and the values it handed on. Thread-safe. */
final class Handed {

  private final List<Planned> nodes;
  private final Map<Integer, Attempt> attempts = new ConcurrentHashMap<>();

  Handed(List<Planned> nodes) {
    this.nodes = nodes;
  }

  void put(Planned one, Attempt attempt) {
    attempts.put(one.order(), attempt);
  }

  /** Whether something has an outcome. */
  boolean has(Planned one) {
    return attempts.containsKey(one.order());
  }

  /** Nobody will use the value any more. */
  void ended(int node) {
    attempts.computeIfPresent(node, (key, attempt) -> attempt.ended());
  }

  /** A value that is there; null if it is not, or is to be made for the asker. */
  @Nullable
  Object value(Binding source) {
    if (source instanceof Binding.OfSample sample) {
      return sample.value();
    }
    if (source instanceof Binding.Handed handed) {
      return value(handed.node());
    }
    if (source instanceof Binding.OfAllSamples gathered) {
      List<Object> values = new ArrayList<>();
      for (int node : gathered.nodes()) {
        Object value = value(node);
        if (value != null) {
          values.add(value);
        }
      }
      return List.copyOf(values);
    }
    return null;
  }

  /** What a node has made; null if nothing, or if nobody will use it any more. */
  @Nullable
  Object value(int node) {
    Attempt attempt = attempts.get(node);
    return attempt == null ? null : attempt.value();
  }

  /** What its makers leave for it: blocked if one broke, else skipped if one did not run (rule 15). */
  @Nullable
  Attempt spread(Planned one) {
    Attempt skipped = null;
    Set<Integer> makers = new LinkedHashSet<>();
    collect(one.bound(), makers);
    for (int node : makers) {
      Attempt made = attempts.get(node);
      if (made != null && !made.outcome().isGreen()) {
        return Attempt.blocked(cause(node, made));
      }
      if (made != null && made.outcome() != Outcome.PASSED && skipped == null) {
        skipped = Attempt.skipped(cause(node, made));
      }
    }
    return skipped;
  }

  /** The first cause: a maker that was held up itself tells its own. */
  private String cause(int node, Attempt made) {
    Planned maker = nodes.get(node);
    boolean marked =
        maker instanceof PlannedCase one && !one.definition().marks().runs();
    boolean passedOn =
        made.outcome() == Outcome.BLOCKED || made.outcome() == Outcome.SKIPPED && !marked;
    return passedOn && made.problem() != null
        ? made.problem().message()
        : cause(maker.bound().maker(), made);
  }

  static String cause(Maker maker, Attempt made) {
    String title = maker instanceof CaseDefinition one
        ? one.title()
        : maker instanceof SupplyDefinition supply ? supply.title() : maker.name();
    return "%s %s, so its value is missing: '%s'"
        .formatted(maker.name(), made.outcome().told(), title);
  }

  private static void collect(BoundMethod bound, Set<Integer> makers) {
    bound.bindings().values().forEach(source -> collect(source, makers));
    if (bound.tidyUp() != null) {
      bound.tidyUp().bindings().values().forEach(source -> collect(source, makers));
    }
  }

  private static void collect(Binding source, Set<Integer> makers) {
    if (source instanceof Binding.Handed handed) {
      makers.add(handed.node());
    } else if (source instanceof Binding.OfAllSamples gathered) {
      makers.addAll(gathered.nodes());
    } else if (source instanceof Binding.Supplied supplied) {
      collect(supplied.bound(), makers);
    }
  }
}
