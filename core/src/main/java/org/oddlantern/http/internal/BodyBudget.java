package org.oddlantern.http.internal;

import java.util.IdentityHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;

/**
 * The memory that large bodies of all cases may take together. Who wants more waits until another case has
 * been recorded, ten seconds at most; if nobody else could go on either, not at all. Thread-safe.
 */
public final class BodyBudget {

  /** Smaller bodies are not worth counting. */
  static final int LARGE = 1 << 18;

  /** A body costs several times its size while it is read as text and JSON and recorded. */
  private static final int SHARE = 8;

  private static final int PORTION = 1 << 22;
  private static final long LOOK_MILLIS = 50;

  /** Who holds room may itself wait for a value of the one that waits for room: nobody waits for ever. */
  private static final long PATIENCE_NANOS = TimeUnit.SECONDS.toNanos(10);

  private final long limit;
  private final IdentityHashMap<Hold, Long> held = new IdentityHashMap<>();
  private final IdentityHashMap<Hold, Integer> waiting = new IdentityHashMap<>();
  private long used;
  private @Nullable Hold exceeding;

  /** A budget of so many bytes. */
  public BodyBudget(long limit) {
    this.limit = limit;
  }

  private long portion() {
    return Math.max(PORTION, limit / 4);
  }

  /** A share of the heap. */
  public static BodyBudget ofHeap() {
    return new BodyBudget(Runtime.getRuntime().maxMemory() / SHARE);
  }

  /** What one case holds of it. */
  public Hold hold() {
    return new Hold();
  }

  private synchronized long take(Hold hold, long bytes) throws InterruptedException {
    long begun = System.nanoTime();
    waiting.merge(hold, 1, Integer::sum);
    try {
      while (used + bytes > limit
          && !mayExceed(hold)
          && System.nanoTime() - begun < PATIENCE_NANOS) {
        wait(LOOK_MILLIS);
      }
    } finally {
      waiting.computeIfPresent(hold, (key, count) -> count == 1 ? null : count - 1);
    }
    held.merge(hold, bytes, Long::sum);
    used += bytes;
    return System.nanoTime() - begun;
  }

  /** Where all that hold something wait, one of them goes on, and stays the only one until it is done. */
  private boolean mayExceed(Hold hold) {
    if (exceeding == null
        && held.keySet().stream().allMatch(other -> other == hold || waiting.containsKey(other))) {
      exceeding = hold;
    }
    return exceeding == hold;
  }

  private synchronized void free(Hold hold) {
    if (exceeding == hold) {
      exceeding = null;
    }
    Long bytes = held.remove(hold);
    if (bytes != null) {
      used -= bytes;
      notifyAll();
    }
  }

  /** The bodies of one case. */
  public final class Hold {
    private final AtomicLong waited = new AtomicLong();
    private volatile boolean waits;

    private Hold() {}

    /** Takes room for a body; waits for it if need be. */
    void take(long bytes) throws InterruptedException {
      if (bytes >= LARGE) {
        waits = true;
        try {
          waited.addAndGet(BodyBudget.this.take(this, bytes));
        } finally {
          waits = false;
        }
      }
    }

    /** How much to take at once for a body of unknown length. */
    long portion() {
      return BodyBudget.this.portion();
    }

    /** How long the case has waited for room, which is no time of the service. */
    public long waitedNanos() {
      return waited.get();
    }

    /** Whether it waits now. */
    boolean isWaiting() {
      return waits;
    }

    /** The bodies are needed no more. */
    public void free() {
      BodyBudget.this.free(this);
    }
  }
}
