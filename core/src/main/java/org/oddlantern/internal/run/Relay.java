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
 * goes on is, memory is bounded, and after the last event everything has been heard. All that waits is
 * taken at once, since waking a thread costs more than most listeners do with an event.
 */
public final class Relay implements RunListener, AutoCloseable {

  private static final int MOST = 64;
  private static final long SMALL = 1 << 16;

  private final RunListener listener;
  private final Thread thread;
  private Queue<RunEvent> waiting = new ArrayDeque<>();
  private boolean idle;
  private boolean busy;
  private boolean awaited;
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
    if (idle) {
      notifyAll();
    }
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

  /** Until something has been heard. */
  private void await() {
    awaited = true;
    sleep();
  }

  /** A case that is told to stop does not keep what it tells of from being written. */
  private void sleep() {
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
    Throwable problem = null;
    for (Queue<RunEvent> some = next(); !some.isEmpty(); some = next()) {
      try {
        for (RunEvent one : some) {
          listener.hear(one);
        }
      } catch (Throwable e) {
        problem = e;
      }
      heard(problem);
    }
  }

  /** All that waits; empty after the end. */
  private synchronized Queue<RunEvent> next() {
    while (waiting.isEmpty() && !closed && failure == null) {
      idle = true;
      sleep();
    }
    idle = false;
    Queue<RunEvent> next = failure == null ? waiting : new ArrayDeque<>();
    waiting = new ArrayDeque<>();
    busy = !next.isEmpty();
    return next;
  }

  private synchronized void heard(@Nullable Throwable problem) {
    busy = false;
    failure = problem;
    if (awaited) {
      awaited = false;
      notifyAll();
    }
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
