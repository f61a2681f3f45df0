package org.oddlantern.internal.plan;

import java.util.List;

/** Where the value of a parameter comes from when a case or supply is called. */
public sealed interface Source {

  /**
   * From a case or a shared supply that has run before.
   *
   * @param node its order number
   */
  record Handed(int node) implements Source {}

  /**
   * From a case that ran over samples: all it made, as a list in the order of the samples.
   *
   * @param nodes their order numbers
   */
  record Gathered(List<Integer> nodes) implements Source {}

  /**
   * The sample the case runs over.
   *
   * @param method where it comes from
   * @param value the sample
   */
  record OfSample(SamplesDefinition method, Object value) implements Source {}

  /**
   * From a supply that is made for the asker alone.
   *
   * @param recipe how it is made
   */
  record Supplied(Recipe recipe) implements Source {}
}
