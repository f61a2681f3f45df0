package org.oddlantern.run;

import java.time.Duration;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * A thread that runs cases one after the other. A case that outlasts its limit is interrupted; one that
 * does not let go even then keeps its thread, and the lane goes on with a new one.
 */
final class Lane implements AutoCloseable {

  /** For a case to end after it was interrupted. */
  private static final Duration GRACE = Duration.ofSeconds(1);

  private ExecutorService worker = worker();
  private volatile @Nullable Thread thread;

  private static ExecutorService worker() {
    return Executors.newSingleThreadExecutor(work -> {
      Thread made = new Thread(work, "odd-lantern lane");
      made.setDaemon(true);
      return made;
    });
  }

  /**
   * Runs a case.
   *
   * @param work the case, which throws nothing
   * @param limit how long it may take
   * @param abandoned hears of the thread that a case does not let go
   * @return what came of it
   * @throws TimeLimitPassed if it took longer; its stack is where the case stood
   */
  Attempt run(Supplier<Attempt> work, Duration limit, Consumer<Thread> abandoned)
      throws TimeLimitPassed {
    Future<Attempt> running = worker.submit(() -> {
      thread = Thread.currentThread();
      return work.get();
    });
    try {
      return running.get(limit.toNanos(), TimeUnit.NANOSECONDS);
    } catch (TimeoutException e) {
      throw passed(running, limit, abandoned);
    } catch (ExecutionException e) {
      throw new IllegalStateException("a case threw past its runner: " + e.getCause(), e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("the run was interrupted", e);
    }
  }

  private TimeLimitPassed passed(
      Future<Attempt> running, Duration limit, Consumer<Thread> abandoned) {
    Thread busy = thread;
    StackTraceElement[] stood = busy == null ? new StackTraceElement[0] : busy.getStackTrace();
    boolean ended = ended(running, busy);
    if (!ended && busy != null) {
      abandoned.accept(busy);
      worker.shutdown();
      worker = worker();
    }
    return new TimeLimitPassed(limit, ended, stood);
  }

  /** Interrupts a case and waits for its end, without giving up what it may still return. */
  private static boolean ended(Future<Attempt> running, @Nullable Thread busy) {
    if (busy != null) {
      busy.interrupt();
    }
    try {
      running.get(GRACE.toMillis(), TimeUnit.MILLISECONDS);
      return true;
    } catch (TimeoutException e) {
      return false;
    } catch (ExecutionException | CancellationException e) {
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  @Override
  public void close() {
    worker.shutdownNow();
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
