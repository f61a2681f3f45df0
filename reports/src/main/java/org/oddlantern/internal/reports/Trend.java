package org.oddlantern.internal.reports;

/**
 * What a run says of all its cases together, to be held against another.
 *
 * @param promises how many promises of documents were kept; empty if there are none
 * @param blindSpots how many places are watched; empty if that was not examined
 * @param description how much of the descriptions was called; empty if there are none
 */
public record Trend(String promises, String blindSpots, String description) {

  /** Of a run. */
  public static Trend of(RunData run) {
    return new Trend(
        run.promises().documents().isEmpty() ? "" : run.promises().sentence(),
        run.examined().isEmpty() ? "" : run.examined().sentence(),
        run.described().isEmpty() ? "" : run.described().sentence());
  }
}
