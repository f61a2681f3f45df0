package org.oddlantern.internal.plan;

import java.util.List;
import java.util.Set;

/** What a run does once: a case, or the making of a shared supply. */
public sealed interface Planned permits PlannedCase, PlannedSupply {

  /**
   * Its place in source order; a shared supply comes before the first case that needs it.
   *
   * @return from 0
   */
  int order();

  /**
   * What it is known by.
   *
   * @return the full name of the case or supply
   */
  String name();

  /**
   * How it is called.
   *
   * @return the recipe
   */
  BoundMethod bound();

  /**
   * What must have finished before it starts, makers included.
   *
   * @return order numbers
   */
  Set<Integer> after();

  /**
   * The makers of all values it uses, directly or through what others made of them.
   *
   * @return order numbers
   */
  List<Integer> values();
}
