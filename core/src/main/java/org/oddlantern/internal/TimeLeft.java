package org.oddlantern.internal;

import java.time.Duration;

/**
 * Until when a piece of a case must have an answer: what it asks waits no longer, whatever limit of its
 * own it has.
 *
 * @param end the moment, as {@link System#nanoTime} tells it
 */
public record TimeLeft(long end) {

  /**
   * A limit from now on, within that of the piece around it.
   *
   * @param limit the limit
   * @return the end of it
   */
  public static TimeLeft of(Duration limit) {
    long end = System.nanoTime() + limit.toNanos();
    return CurrentCase.part(TimeLeft.class)
        .filter(around -> around.end - end < 0)
        .orElse(new TimeLeft(end));
  }

  /**
   * Whether nothing is left.
   *
   * @return true from the end on
   */
  public boolean isOver() {
    return System.nanoTime() - end >= 0;
  }

  /**
   * A limit cut to what is left.
   *
   * @param limit a limit
   * @return the limit, or the time that is left if that is less; never nothing
   */
  public static Duration cut(Duration limit) {
    return CurrentCase.part(TimeLeft.class)
        .map(left -> Duration.ofNanos(Math.max(1_000_000, left.end - System.nanoTime())))
        .filter(left -> left.compareTo(limit) < 0)
        .orElse(limit);
  }
}
