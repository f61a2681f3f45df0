package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.Outcome;

/**
 * Runs cases one after the other. One that outlasts its limit is interrupted; one that does not let go even
 * then keeps its thread, and the lane goes on in a new one. Most cases run in the thread of the lane itself,
 * since going from thread to thread takes longer than a short case; what others wait for runs in a second one.
 */
final class Lane implements AutoCloseable {

  /** Why something is given up. */
  static final String STOPPED = "the run was stopped";

  private final ThreadFactory threads;
  private final int number;
  private @Nullable ExecutorService worker;
  private volatile @Nullable Thread thread;
  private @Nullable Thread waiting;
  private @Nullable Turn turn;
  private volatile @Nullable TurnWatch watch;
  private Consumer<Runnable> successor = rest -> {};
  private boolean stopped;

  /**
   * A lane.
   *
   * @param number counts from 1
   * @param threads makes the threads that run cases
   */
  Lane(int number, ThreadFactory threads) {
    this.number = number;
    this.threads = threads;
  }

  /**
   * From here on cases may run in the thread of the lane.
   *
   * @param by looks at them
   * @param after goes on in a new thread with what it is given, and then with the next case, where a case
   *     does not let go of its own
   */
  synchronized void watchedBy(TurnWatch by, Consumer<Runnable> after) {
    watch = by;
    successor = after;
  }

  int number() {
    return number;
  }

  /**
   * Runs a case in this thread.
   *
   * @param work what throws nothing
   * @param limit how long it may take
   * @param left ends the case in another thread, if it does not let go of this one
   * @return what came of it
   * @throws TimeLimitPassed if it took longer; its stack is where it was
   * @throws Stopped if the run was stopped before it ended
   * @throws Turn.Left if another thread has gone on meanwhile, so that nothing is left to do in this one
   */
  Attempt runHere(Supplier<Attempt> work, Duration limit, Consumer<Exception> left)
      throws TimeLimitPassed, Stopped {
    Turn own = new Turn(limit, left);
    TurnWatch watching = begun(own);
    if (watching == null) {
      return run(work, limit, true);
    }
    watching.until(own.deadline());
    try {
      return own.done(work);
    } finally {
      ended(own);
    }
  }

  private synchronized @Nullable TurnWatch begun(Turn own) throws Stopped {
    if (stopped) {
      throw new Stopped(STOPPED);
    }
    turn = watch == null ? null : own;
    return watch;
  }

  private synchronized void ended(Turn own) {
    if (turn == own) {
      turn = null;
    }
  }

  /**
   * Looks at the case that runs in the thread of this lane.
   *
   * @param otherwise what is returned if there is none
   * @return when it is to be looked at again
   */
  long looked(long otherwise) {
    Turn own = turn();
    if (own == null) {
      return otherwise;
    }
    Runnable rest = own.looked();
    if (rest == null) {
      return own.deadline();
    }
    ended(own);
    threads.newThread(() -> successor.accept(rest)).start();
    return otherwise;
  }

  private synchronized @Nullable Turn turn() {
    return turn;
  }

  /** The thread in which something runs that another waits for. */
  private ExecutorService worker() {
    ExecutorService known = worker;
    if (known == null) {
      known = Executors.newSingleThreadExecutor(threads);
      worker = known;
    }
    return known;
  }

  /**
   * Runs a case, a supply or what puts one back in another thread.
   *
   * @param work what throws nothing
   * @param limit how long it may take
   * @param mayBeStopped whether it is given up when the run is stopped
   * @return what came of it
   * @throws TimeLimitPassed if it took longer; its stack is where it stood
   * @throws Stopped if the run was stopped before it ended
   */
  Attempt run(Supplier<Attempt> work, Duration limit, boolean mayBeStopped)
      throws TimeLimitPassed, Stopped {
    if (mayBeStopped && !waits()) {
      throw new Stopped(STOPPED);
    }
    Future<Attempt> running = worker().submit(() -> {
      thread = Thread.currentThread();
      return work.get();
    });
    try {
      return running.get(limit.toNanos(), TimeUnit.NANOSECONDS);
    } catch (TimeoutException e) {
      throw passed(running, limit);
    } catch (ExecutionException e) {
      throw new IllegalStateException("a case threw past its runner: " + e.getCause(), e);
    } catch (InterruptedException e) {
      return stopped(running);
    } finally {
      waitsNoMore();
    }
  }

  /**
   * Does some work that says itself until when it must have come further.
   *
   * @param work what throws nothing
   * @param deadline until when, as {@link System#nanoTime} tells it; asked again once it has passed
   * @param late hears that it has not come further, before it is interrupted
   * @return whether it came to its end by itself
   * @throws Stopped if the run was stopped before
   */
  boolean watched(Runnable work, LongSupplier deadline, Runnable late) throws Stopped {
    if (!waits()) {
      throw new Stopped(STOPPED);
    }
    Future<Attempt> running = worker().submit(() -> {
      thread = Thread.currentThread();
      work.run();
      return Attempt.passed(null);
    });
    try {
      while (true) {
        long left = deadline.getAsLong() - System.nanoTime();
        if (left <= 0) {
          late.run();
          if (ended(running, thread) == null) {
            leave();
          }
          return false;
        }
        if (isDone(running, left)) {
          return true;
        }
      }
    } catch (ExecutionException e) {
      throw new IllegalStateException("a case threw past its runner: " + e.getCause(), e);
    } catch (InterruptedException e) {
      late.run();
      if (ended(running, thread) == null) {
        leave();
      }
      throw new Stopped(STOPPED);
    } finally {
      waitsNoMore();
    }
  }

  private static boolean isDone(Future<Attempt> running, long nanos)
      throws ExecutionException, InterruptedException {
    try {
      running.get(nanos, TimeUnit.NANOSECONDS);
      return true;
    } catch (TimeoutException e) {
      return false;
    }
  }

  /** Gives up what runs now, and what would run later, as far as it may be stopped. */
  void stop() {
    Turn own = stopping();
    if (own != null) {
      own.stop();
      watchUntil(own.deadline());
    }
  }

  private synchronized @Nullable Turn stopping() {
    stopped = true;
    if (waiting != null) {
      waiting.interrupt();
    }
    return turn;
  }

  /** Without the lock, since whoever watches takes it while he looks. */
  private void watchUntil(long deadline) {
    TurnWatch watching = watch;
    if (watching != null) {
      watching.until(deadline);
    }
  }

  private synchronized boolean waits() {
    waiting = stopped ? null : Thread.currentThread();
    return !stopped;
  }

  /** From here on nobody interrupts this thread: it writes files. */
  private synchronized void waitsNoMore() {
    waiting = null;
    boolean late = Thread.interrupted();
    if (late && !stopped) {
      Thread.currentThread().interrupt();
    }
  }

  /** A case that passes though it was told to stop has passed. */
  private Attempt stopped(Future<Attempt> running) throws Stopped {
    Thread busy = thread;
    Attempt last = ended(running, busy);
    if (last == null) {
      leave();
    } else if (last.outcome() == Outcome.PASSED) {
      return last;
    }
    throw new Stopped(STOPPED);
  }

  private void leave() {
    worker().shutdown();
    worker = null;
  }

  private TimeLimitPassed passed(Future<Attempt> running, Duration limit) {
    Thread busy = thread;
    StackTraceElement[] stood = busy == null ? new StackTraceElement[0] : busy.getStackTrace();
    boolean ended = ended(running, busy) != null;
    if (!ended) {
      leave();
    }
    return new TimeLimitPassed(limit, ended, stood);
  }

  /** Interrupts a case and waits a little for its end; null if it does not let go. */
  private static @Nullable Attempt ended(Future<Attempt> running, @Nullable Thread busy) {
    if (busy != null) {
      busy.interrupt();
    }
    try {
      return running.get(Turn.GRACE.toMillis(), TimeUnit.MILLISECONDS);
    } catch (TimeoutException | InterruptedException e) {
      return null;
    } catch (ExecutionException e) {
      return Attempt.errored("it threw past its runner: " + e.getCause());
    }
  }

  @Override
  public void close() {
    ExecutorService known = worker;
    if (known != null) {
      known.shutdownNow();
    }
  }

  /** The run was stopped. */
  static final class Stopped extends Exception {
    private static final long serialVersionUID = 1L;

    Stopped(String message) {
      super(message);
    }
  }

  /** A case took longer than it may. */
  static final class TimeLimitPassed extends Exception {
    private static final long serialVersionUID = 1L;

    TimeLimitPassed(Duration limit, boolean ended, StackTraceElement[] stood) {
      super("it took longer than its time limit of " + words(limit) + " and was interrupted"
          + (ended ? "" : "; it did not let go, so its thread was left alone")
          + ". Where it stood:");
      setStackTrace(stood);
    }

    private static String words(Duration limit) {
      return limit.toMillis() % 1_000 == 0 ? limit.toSeconds() + " s" : limit.toMillis() + " ms";
    }
  }
}
