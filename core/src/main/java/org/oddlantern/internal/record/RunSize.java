package org.oddlantern.internal.record;

/**
 * How much a run is to do, and in which order.
 *
 * @param cases how many cases are planned
 * @param suites how many suites they belong to
 * @param lanes how many cases run side by side at most, 1 or more
 * @param part which share of a run dealt to several machines it is, like {@code 2/5}; empty for a whole
 * @param shuffled whether the order is drawn from the seed
 */
public record RunSize(int cases, int suites, int lanes, String part, boolean shuffled) {

  /** In the order of the source. */
  public RunSize(int cases, int suites, int lanes, String part) {
    this(cases, suites, lanes, part, false);
  }
}
