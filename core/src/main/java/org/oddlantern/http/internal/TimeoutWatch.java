package org.oddlantern.http.internal;

import java.util.Comparator;
import java.util.PriorityQueue;
import org.jspecify.annotations.Nullable;

/**
 * Runs an action when a timeout is over, unless it was called off. One daemon thread watches them all;
 * it is woken only for a timeout earlier than the one it waits for, so the usual call costs no switch
 * of threads. It ends when it has had nothing to watch for a while.
 */
final class TimeoutWatch implements AutoCloseable {

  private static final long IDLE_NANOS = 5_000_000_000L;

  private final PriorityQueue<Alarm> alarms =
      new PriorityQueue<>(Comparator.comparingLong(alarm -> alarm.at));
  private @Nullable Thread watcher;
  private long wakesAt;

  /** Sets an alarm. */
  synchronized Alarm set(long nanosFromNow, Runnable action) {
    long now = System.nanoTime();
    Alarm alarm = new Alarm(now + Math.min(nanosFromNow, Long.MAX_VALUE / 4), action);
    alarms.add(alarm);
    if (watcher == null) {
      wakesAt = alarm.at;
      watcher = new Thread(this::watch, "odd-lantern-timeouts");
      watcher.setDaemon(true);
      watcher.start();
    } else if (alarm.at - wakesAt < 0) {
      notifyAll();
    }
    return alarm;
  }

  /** Calls an alarm off; it may be over already. */
  synchronized void callOff(@Nullable Alarm alarm) {
    if (alarm == null) {
      return;
    }
    alarm.off = true;
    if (alarms.peek() == alarm) {
      alarms.remove();
    }
  }

  @Override
  public synchronized void close() {
    alarms.clear();
    watcher = null;
    notifyAll();
  }

  private void watch() {
    for (Alarm over = next(); over != null; over = next()) {
      over.action.run();
    }
  }

  /** The next alarm that is over; null when there has been nothing to watch for a while. */
  private synchronized @Nullable Alarm next() {
    long idleUntil = System.nanoTime() + IDLE_NANOS;
    while (watcher == Thread.currentThread()) {
      long now = System.nanoTime();
      dropCalledOff();
      Alarm first = alarms.peek();
      if (first != null && first.at - now <= 0) {
        return alarms.remove();
      }
      if (first == null && idleUntil - now <= 0) {
        watcher = null;
        return null;
      }
      wakesAt = first == null ? idleUntil : first.at;
      try {
        wait(Math.max(1, (wakesAt - now) / 1_000_000));
      } catch (InterruptedException e) {
        watcher = null;
        return null;
      }
    }
    return null;
  }

  private void dropCalledOff() {
    alarms.removeIf(alarm -> alarm.off);
  }

  /** An action and when it is due. */
  static final class Alarm {
    private final long at;
    private final Runnable action;
    private boolean off;

    private Alarm(long at, Runnable action) {
      this.at = at;
      this.action = action;
    }
  }
}
