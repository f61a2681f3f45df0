package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.List;

/**
 * When and where a case ran, and what it came after.
 *
 * @param order its place in the order of the plan
 * @param lane the lane it ran in, from 1; 0 if it did not run
 * @param startedAt when it began
 * @param tookMicros microseconds it took
 * @param waitedFor the cases and supplies that had to come before it
 */
public record CaseTiming(
    int order, int lane, Instant startedAt, long tookMicros, List<String> waitedFor) {

  /** Keeps its own list. */
  public CaseTiming {
    waitedFor = List.copyOf(waitedFor);
  }

  CaseTiming with(int otherOrder, int otherLane, List<String> others) {
    return new CaseTiming(otherOrder, otherLane, startedAt, tookMicros, others);
  }
}
