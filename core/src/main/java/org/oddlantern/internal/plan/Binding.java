package org.oddlantern.internal.plan;

import java.util.List;

/** Where the value of a parameter comes from when a case or supply is called. */
public sealed interface Binding {

  /**
   * From a case or a shared supply that has run before.
   *
   * @param node its order number
   */
  record Handed(int node) implements Binding {}

  /**
   * From a case that ran over samples: all it made, as a list in the order of the samples.
   *
   * @param nodes their order numbers
   */
  record OfAllSamples(List<Integer> nodes) implements Binding {}

  /**
   * The sample the case runs over.
   *
   * @param method where it comes from
   * @param value the sample
   */
  record OfSample(SamplesDefinition method, Object value) implements Binding {}

  /**
   * From a supply that is made for the asker alone.
   *
   * @param bound how it is made
   */
  record Supplied(BoundMethod bound) implements Binding {}
}
