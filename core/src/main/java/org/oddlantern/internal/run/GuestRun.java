package org.oddlantern.internal.run;

import java.io.IOException;
import java.lang.reflect.Method;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.journal.LateSecrets;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;

/**
 * A run whose cases another test framework calls, one by one or side by side: their exchanges are
 * recorded, what they made is put back, listeners hear of them as of any case. Thread-safe.
 *
 * <pre>{@code
 * try (GuestRun run = new GuestRun(order, Clock.systemUTC(), List.of(journal), null)) {
 *   Guest guest = run.begin(HiveTest.class, method, "", "a hive is there");
 *   ...
 *   guest.ended(thrown);
 * }
 * }</pre>
 */
public final class GuestRun implements AutoCloseable {

  private final Clock clock;
  private final RunFrame.Begun begun;
  private final AtomicInteger guests = new AtomicInteger();
  private final ConcurrentLinkedQueue<RunEvent.PutBack> kept = new ConcurrentLinkedQueue<>();

  /**
   * Begins the run.
   *
   * @param order on what it runs; its plan has no cases
   * @param clock tells when things happen
   * @param listeners who hears of it
   * @param connections the log of connections, which the caller closes; null if none is wanted
   */
  public GuestRun(
      RunOrder order,
      Clock clock,
      List<RunListener> listeners,
      @Nullable ConnectionLog connections) {
    List<RunListener> all = new ArrayList<>(listeners);
    all.add(this::keep);
    this.clock = clock;
    this.begun = new RunFrame(order, clock).begun(all, connections);
  }

  /**
   * A case begins in this thread.
   *
   * @param suite its class
   * @param method its method
   * @param sample what sets it apart from other calls of the method; empty if there are none
   * @param title its title
   * @return the case, to be ended in the same thread
   */
  public Guest begin(Class<?> suite, Method method, String sample, String title) {
    return new Guest(this, suite, method, sample, title, guests.getAndIncrement());
  }

  /**
   * Hides in the journal of this run what was no secret yet when it was told. To be called once nobody
   * writes it any more.
   *
   * @param journal the journal
   * @return whether there was anything to hide
   * @throws IOException if the journal cannot be read or written
   */
  public boolean hideLateSecrets(Path journal) throws IOException {
    return new LateSecrets(begun.workshop().masker()).hidden(journal);
  }

  RunFrame.Begun begun() {
    return begun;
  }

  Clock clock() {
    return clock;
  }

  /** Why things that a case made could not be put back. */
  List<String> keptBy(String id) {
    return kept.stream()
        .filter(one -> one.id().equals(id))
        .map(one -> "left behind: " + one.deed() + ": " + one.problem())
        .toList();
  }

  private void keep(RunEvent event) {
    if (event instanceof RunEvent.PutBack putBack && putBack.leftBehind()) {
      kept.add(putBack);
    }
  }

  @Override
  public void close() {
    begun.close();
    begun.ended(false);
  }
}
