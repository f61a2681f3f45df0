package org.oddlantern.internal.run;

import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.internal.plan.SuiteName;

/**
 * Closes a suite's instance, or a value.
 *
 * @param id the case or supply that made it
 * @param environment where it was made
 * @param closeable what to close
 */
record CloseDeed(String id, String environment, AutoCloseable closeable) implements Belonging.Deed {

  @Override
  public void done(PutBacks putBacks) {
    Class<?> type = closeable.getClass();
    String deed = "close " + SuiteName.of(type);
    Work work = new Work(
        putBacks.workshop(), id, deed, type, environment, " closing", Answering.LIVE, undo -> {});
    putBacks.work(id, deed, work, () -> {
      closeable.close();
      return null;
    });
  }
}
