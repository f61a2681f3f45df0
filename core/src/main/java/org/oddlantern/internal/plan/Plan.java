package org.oddlantern.internal.plan;

import java.util.List;
import org.oddlantern.internal.promise.Promises;

/**
 * What will run: every selected case and every case and shared supply that makes what one of them takes,
 * in source order, with who waits for whom. Immutable.
 *
 * @param nodes the cases and shared supplies; each one's order number is its index
 * @param warnings what deserves a look but keeps nothing from running
 * @param part which share of the run it is
 * @param promises what documents promise of its cases and of those that were not selected
 * @param whole whether it has all cases there are
 */
public record Plan(
    List<Planned> nodes, List<String> warnings, RunPart part, Promises promises, boolean whole) {

  /** Without cases, for a run whose cases come from elsewhere. */
  public static final Plan EMPTY = new Plan(List.of(), List.of(), RunPart.WHOLE);

  /** Without promises. */
  public Plan(List<Planned> nodes, List<String> warnings, RunPart part) {
    this(nodes, warnings, part, Promises.NONE, false);
  }

  /** Keeps its own lists. */
  public Plan {
    nodes = List.copyOf(nodes);
    warnings = List.copyOf(warnings);
  }

  /**
   * The plan of a project whose documents promise something.
   *
   * @param other what they promise
   * @return the same plan with it
   */
  public Plan with(Promises other) {
    return new Plan(nodes, warnings, part, other, whole);
  }

  /** The same plan, of all cases there are or not. */
  Plan whole(boolean all) {
    return new Plan(nodes, warnings, part, promises, all);
  }

  /**
   * The cases alone.
   *
   * @return in source order
   */
  public List<PlannedCase> cases() {
    return nodes.stream()
        .filter(PlannedCase.class::isInstance)
        .map(PlannedCase.class::cast)
        .toList();
  }

  /**
   * How many suites have cases in it.
   *
   * @return their number; a section is a part of its suite
   */
  public int suites() {
    return (int) cases().stream()
        .map(one -> SuiteName.outermost(one.definition().suite()))
        .distinct()
        .count();
  }
}
