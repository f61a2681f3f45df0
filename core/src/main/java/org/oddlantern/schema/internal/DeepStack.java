package org.oddlantern.schema.internal;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.text.GivenUp;

/**
 * Work that goes as deep as its data: done in the thread that asks, and only if its stack is too small
 * once more in one with plenty of room.
 *
 * @param <T> what the work gives
 */
final class DeepStack<T> implements Runnable {

  private static final long ROOM = 512L << 20;

  private final Supplier<T> work;
  private @Nullable T result;
  private @Nullable Throwable thrown;

  private DeepStack(Supplier<T> work) {
    this.work = work;
  }

  static <T> T given(Supplier<T> work) {
    try {
      return work.get();
    } catch (StackOverflowError e) {
      return new DeepStack<>(work).done();
    }
  }

  @Override
  public void run() {
    try {
      result = work.get();
    } catch (RuntimeException | StackOverflowError e) {
      thrown = e;
    }
  }

  private T done() {
    Thread thread = new Thread(null, this, "odd-lantern deep schema", ROOM);
    thread.setDaemon(true);
    thread.start();
    try {
      thread.join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new GivenUp("judging by the schema was interrupted");
    }
    if (thrown instanceof GivenUp givenUp) {
      throw givenUp;
    }
    if (result == null) {
      throw GivenUp.tooDeep();
    }
    return result;
  }
}
