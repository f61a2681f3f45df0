package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Looks at what runs in the threads of lanes, when its time is over. Sleeps most of the time. */
final class TurnWatch implements AutoCloseable {

  private static final long FAR = Duration.ofDays(1_000).toNanos();

  private final List<Lane> lanes;
  private volatile long wakes = System.nanoTime() + FAR;
  private boolean begun;
  private boolean closed;

  /**
   * Does nothing yet.
   *
   * @param lanes all there will be
   */
  TurnWatch(List<Lane> lanes) {
    this.lanes = lanes;
  }

  /** Something has begun, or was told to end, and must be looked at by then; cheap if that is late enough. */
  void until(long deadline) {
    if (deadline - wakes < 0) {
      look();
    }
  }

  private synchronized void look() {
    if (!begun) {
      begun = true;
      Thread thread = new Thread(this::watch, "odd-lantern watch");
      thread.setDaemon(true);
      thread.start();
    }
    notifyAll();
  }

  private synchronized void watch() {
    while (!closed) {
      // whoever begins while the lanes are gone through sees this, and waits for the monitor
      wakes = System.nanoTime() + FAR;
      long next = wakes;
      for (Lane lane : lanes) {
        long due = lane.looked(next);
        next = due - next < 0 ? due : next;
      }
      wakes = next;
      long millis = TimeUnit.NANOSECONDS.toMillis(next - System.nanoTime()) + 1;
      try {
        wait(Math.max(1, millis));
      } catch (InterruptedException e) {
        return; // nobody does
      }
    }
  }

  @Override
  public synchronized void close() {
    closed = true;
    notifyAll();
  }
}
