package org.oddlantern.internal;

import java.time.Duration;

/** The pause between two tries, which doubles each time up to a longest. Of one thread. */
public final class GrowingPause {

  private final Duration longest;
  private Duration next;

  /**
   * Before the first pause.
   *
   * @param first the first pause
   * @param longest no pause is longer
   */
  public GrowingPause(Duration first, Duration longest) {
    this.next = first;
    this.longest = longest;
  }

  /**
   * How long the next pause is.
   *
   * @return its length
   */
  public Duration length() {
    return next;
  }

  /**
   * Pauses, but not beyond an end.
   *
   * @param left the time that is left
   * @return false if the thread was interrupted, which it still is then
   */
  public boolean slept(Duration left) {
    Duration pause = next.compareTo(left) < 0 ? next : left;
    next = next.multipliedBy(2).compareTo(longest) < 0 ? next.multipliedBy(2) : longest;
    try {
      Thread.sleep(Math.max(0, pause.toMillis()) + 1);
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}
