package org.oddlantern.standin;

import java.time.Duration;
import java.util.Arrays;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Tells of answers that are computed and take long, or for ever. Thread-safe. */
final class Patience implements AutoCloseable {

  static final Duration LIMIT = Duration.ofSeconds(2);

  private final ScheduledThreadPoolExecutor timer;

  Patience() {
    timer = new ScheduledThreadPoolExecutor(1, task -> {
      Thread thread = new Thread(null, task, "stand-in patience", 0, false);
      thread.setDaemon(true);
      return thread;
    });
    timer.setRemoveOnCancelPolicy(true);
  }

  /**
   * Computes an answer.
   *
   * @param work computes it
   * @param late hears once where it is, if it takes longer than the limit
   */
  Answer answer(Supplier<Answer> work, Consumer<String> late) {
    Thread thread = Thread.currentThread();
    Future<?> alarm = timer.schedule(
        () -> late.accept(place(thread.getStackTrace())), LIMIT.toMillis(), TimeUnit.MILLISECONDS);
    try {
      return work.get();
    } finally {
      alarm.cancel(false);
    }
  }

  /** The innermost line that is not the JDK's. */
  private static String place(StackTraceElement[] stack) {
    return Arrays.stream(stack)
        .filter(line -> !line.getClassName().matches("(?:java|jdk|sun)\\..*"))
        .findFirst()
        .map(line -> line.getFileName() + ":" + line.getLineNumber())
        .orElse("an unknown line");
  }

  @Override
  public void close() {
    timer.shutdownNow();
  }
}
