package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.Outcome;

/**
 * One case in the thread of its lane, with the end that is set to it from outside: interrupted when its
 * time is over or the run is stopped, and left alone with its thread if it does not let go. Thread-safe.
 */
final class Turn {

  /** For a case to end after it was interrupted. */
  static final Duration GRACE = Duration.ofSeconds(1);

  private final Thread thread = Thread.currentThread();
  private final Duration limit;
  private final Consumer<Exception> left;
  private State state = State.RUNNING;
  private long deadline;
  private StackTraceElement[] stood = {};

  /**
   * Begins in this thread.
   *
   * @param limit how long it may take
   * @param left goes on in another thread, if this one is left alone, with a {@link Lane.TimeLimitPassed} or
   *     a {@link Lane.Stopped}
   */
  Turn(Duration limit, Consumer<Exception> left) {
    this.limit = limit;
    this.left = left;
    this.deadline = System.nanoTime() + limit.toNanos();
  }

  /** When it must be looked at again, as {@link System#nanoTime} counts. */
  synchronized long deadline() {
    return deadline;
  }

  /** Does it. */
  Attempt done(Supplier<Attempt> work) throws Lane.TimeLimitPassed, Lane.Stopped {
    Attempt attempt = null;
    Throwable past = null;
    try {
      attempt = work.get();
    } catch (Throwable e) {
      past = e;
    }
    return ended(attempt, past);
  }

  private synchronized Attempt ended(@Nullable Attempt attempt, @Nullable Throwable past)
      throws Lane.TimeLimitPassed, Lane.Stopped {
    State before = state;
    state = State.ENDED;
    Thread.interrupted(); // what a case does to its thread is over with the case
    if (before == State.LEFT) {
      throw new Left("another thread has gone on");
    }
    if (before == State.LATE) {
      throw new Lane.TimeLimitPassed(limit, true, stood);
    }
    if (attempt == null) {
      throw new IllegalStateException("a case threw past its runner: " + past, past);
    }
    // a case that passes though it was told to stop has passed
    if (before == State.STOPPED && attempt.outcome() != Outcome.PASSED) {
      throw new Lane.Stopped(Lane.STOPPED);
    }
    return attempt;
  }

  /** The run is stopped. */
  synchronized void stop() {
    if (state == State.RUNNING) {
      state = State.STOPPED;
      interrupt();
    }
  }

  /**
   * Looks at it.
   *
   * @return what is to go on in another thread, since this one does not let go; null if it is not so
   */
  synchronized @Nullable Runnable looked() {
    if (System.nanoTime() - deadline < 0 || state == State.ENDED || state == State.LEFT) {
      return null;
    }
    if (state == State.RUNNING) {
      state = State.LATE;
      stood = thread.getStackTrace();
      interrupt();
      return null;
    }
    Exception why = state == State.LATE
        ? new Lane.TimeLimitPassed(limit, false, stood)
        : new Lane.Stopped(Lane.STOPPED);
    state = State.LEFT;
    return () -> left.accept(why);
  }

  private void interrupt() {
    deadline = System.nanoTime() + GRACE.toNanos();
    thread.interrupt();
  }

  private enum State {
    RUNNING,
    LATE,
    STOPPED,
    LEFT,
    ENDED
  }

  /** Another thread goes on where this one was left. */
  static final class Left extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Left(String message) {
      super(message, null, false, false);
    }
  }
}
