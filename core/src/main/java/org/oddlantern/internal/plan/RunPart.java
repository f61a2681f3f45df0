package org.oddlantern.internal.plan;

import java.util.Map;

/**
 * A machine's share of a run. Cases that share a value stay together; the others are dealt so that all parts
 * take about the same time, the same on every machine.
 *
 * @param number which part, from 1
 * @param of how many parts there are
 * @param micros how long cases took before, by their full names; empty if nobody knows
 */
public record RunPart(int number, int of, Map<String, Long> micros) {

  /** The whole run. */
  public static final RunPart WHOLE = new RunPart(1, 1, Map.of());

  /** Refuses what is no part. */
  public RunPart {
    if (number < 1 || number > of) {
      throw new IllegalArgumentException(
          "there is no part " + number + " of " + of + "; parts are counted from 1");
    }
    micros = Map.copyOf(micros);
  }

  /**
   * As it is asked for.
   *
   * @return a text like {@code 2/5}; empty for the whole run
   */
  @Override
  public String toString() {
    return of == 1 ? "" : number + "/" + of;
  }
}
