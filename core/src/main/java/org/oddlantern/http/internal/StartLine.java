package org.oddlantern.http.internal;

import java.time.Duration;
import java.util.concurrent.Phaser;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * Where calls wait for each other: with their connections open and their requests written, but for the last
 * piece. Thread-safe.
 */
public final class StartLine {

  /** Whoever is not ready by then is not waited for. */
  private static final Duration PATIENCE = Duration.ofSeconds(10);

  private final Phaser phaser;

  /**
   * A line for so many.
   *
   * @param count how many will come, or say that they will not
   */
  public StartLine(int count) {
    this.phaser = new Phaser(count);
  }

  /** One of them; of one thread. */
  public Runner runner() {
    return new Runner();
  }

  /** One of those who wait for each other, once. */
  public final class Runner {
    private boolean through;

    private Runner() {}

    /** It is ready, and waits for the others. */
    public void ready() {
      if (through) {
        return;
      }
      through = true;
      try {
        int phase = phaser.arrive();
        phaser.awaitAdvanceInterruptibly(phase, PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
      } catch (TimeoutException e) {
        // it goes without them
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }

    /** It will not come any more, if it has not. */
    public void out() {
      if (!through) {
        through = true;
        phaser.arriveAndDeregister();
      }
    }
  }
}
