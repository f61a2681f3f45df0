package org.oddlantern.internal.run;

import java.util.ArrayDeque;
import java.util.Queue;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;

/**
 * Lets a listener that writes hear of events in a thread of its own, at once and in order, while cases go
 * on. Only small events of cases are not waited for, and only so many: what is to be on disk before a case
 * goes on is, memory is bounded, and after the last event everything has been heard.
 */
public final class Relay implements RunListener, AutoCloseable {

  private static final int MOST = 64;
  private static final long SMALL = 1 << 16;

  private final RunListener listener;
  private final Queue<RunEvent> waiting = new ArrayDeque<>();
  private final Thread thread;
  private boolean busy;
  private boolean closed;
  private @Nullable Throwable failure;

  /**
   * Begins.
   *
   * @param listener hears everything in one thread
   */
  public Relay(RunListener listener) {
    this.listener = listener;
    this.thread = new Thread(this::relay, "odd-lantern " + listener.getClass().getSimpleName());
    thread.setDaemon(true);
    thread.start();
  }

  @Override
  public synchronized void hear(RunEvent event) throws Exception {
    while (waiting.size() >= MOST && failure == null) {
      await();
    }
    refuse();
    waiting.add(event);
    notifyAll();
    if (!mayWait(event)) {
      drain();
    }
  }

  @Override
  public boolean hearsBeginnings() {
    return listener.hearsBeginnings();
  }

  /** Whether a run may go on before it is heard. */
  private static boolean mayWait(RunEvent event) {
    return event instanceof RunEvent.CaseBegan
        || event instanceof RunEvent.CaseFinished finished && isSmall(finished.record());
  }

  private static boolean isSmall(CaseRecord one) {
    long octets = 0;
    for (ExchangeRecord exchange : one.exchanges()) {
      octets += exchange.requestBody().bytes() + exchange.replyBody().bytes();
    }
    return octets < SMALL
        && one.earlier().isEmpty()
        && one.kept().isEmpty()
        && one.agreed().isEmpty();
  }

  private void drain() throws Exception {
    while ((busy || !waiting.isEmpty()) && failure == null) {
      await();
    }
    refuse();
  }

  private void refuse() throws Exception {
    if (failure instanceof Error error) {
      throw error;
    }
    if (failure instanceof Exception exception) {
      throw exception;
    }
  }

  /** A case that is told to stop does not keep what it tells of from being written. */
  private void await() {
    boolean interrupted = false;
    boolean woken = false;
    while (!woken) {
      try {
        wait();
        woken = true;
      } catch (InterruptedException e) {
        interrupted = true;
      }
    }
    if (interrupted) {
      Thread.currentThread().interrupt();
    }
  }

  private void relay() {
    for (RunEvent next = next(); next != null; next = next()) {
      try {
        listener.hear(next);
        heard(null);
      } catch (Throwable e) {
        heard(e);
      }
    }
  }

  private synchronized @Nullable RunEvent next() {
    while (waiting.isEmpty() && !closed) {
      await();
    }
    RunEvent next = failure == null ? waiting.poll() : null;
    busy = next != null;
    return next;
  }

  private synchronized void heard(@Nullable Throwable problem) {
    busy = false;
    failure = problem;
    notifyAll();
  }

  /** Ends when everything has been heard. */
  @Override
  public void close() {
    synchronized (this) {
      closed = true;
      notifyAll();
      while ((busy || !waiting.isEmpty()) && failure == null) {
        await();
      }
    }
  }

  @Override
  public String toString() {
    return listener.toString();
  }
}
