package org.oddlantern.database;

import java.sql.SQLException;
import java.time.Duration;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * A piece of work with a database, which must end in time. It has a thread of its own, since drivers
 * know many ways to wait and few to stop.
 */
final class TimeLimited {

  private TimeLimited() {}

  static <T> T within(Duration timeout, Piece<T> piece) throws SQLException {
    FutureTask<T> task = new FutureTask<>(piece::done);
    Thread thread = new Thread(task, "odd-lantern-database");
    thread.setDaemon(true);
    thread.setContextClassLoader(Thread.currentThread().getContextClassLoader());
    thread.start();
    try {
      return task.get(timeout.toNanos(), TimeUnit.NANOSECONDS);
    } catch (TimeoutException e) {
      task.cancel(true);
      throw new DatabaseProblem("no answer within " + timeout.toMillis() + " ms");
    } catch (InterruptedException e) {
      task.cancel(true);
      Thread.currentThread().interrupt();
      throw new DatabaseProblem("the case was interrupted while it waited for an answer");
    } catch (ExecutionException e) {
      throw cause(e);
    }
  }

  private static SQLException cause(ExecutionException e) {
    Throwable cause = e.getCause();
    if (cause instanceof SQLException known) {
      return known;
    }
    if (cause instanceof RuntimeException unchecked) {
      throw unchecked;
    }
    throw new DatabaseProblem(String.valueOf(cause), e);
  }

  /** What is to be done. */
  interface Piece<T> {
    T done() throws SQLException;
  }
}
