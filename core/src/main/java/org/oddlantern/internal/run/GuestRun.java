package org.oddlantern.internal.run;

import java.io.IOException;
import java.lang.reflect.Method;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import org.oddlantern.http.internal.BodyBudget;
import org.oddlantern.http.internal.PooledTransport;
import org.oddlantern.http.internal.TokenStore;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.internal.journal.LateSecrets;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.json.internal.KnownPaths;

/**
 * A run whose cases another test framework calls, one by one or side by side: their exchanges are
 * recorded, what they made is taken back, listeners hear of them as of any case. Thread-safe.
 *
 * <pre>{@code
 * try (GuestRun run = new GuestRun(order, Clock.systemUTC(), List.of(journal))) {
 *   Guest guest = run.begin(HiveTest.class, method, "", "a hive is there");
 *   ...
 *   guest.ended(thrown);
 * }
 * }</pre>
 */
public final class GuestRun implements AutoCloseable {

  private final Clock clock;
  private final Transport transport = new PooledTransport();
  private final Workshop workshop;
  private final Entries entries;
  private final Instant start;
  private final long nanos = System.nanoTime();
  private final AtomicInteger guests = new AtomicInteger();
  private final AtomicInteger leftBehind = new AtomicInteger();
  private final ConcurrentLinkedQueue<RunEvent.PutBack> kept = new ConcurrentLinkedQueue<>();

  /**
   * Begins the run.
   *
   * @param order on what it runs; its plan has no cases
   * @param clock tells when things happen
   * @param listeners who hears of it
   */
  public GuestRun(RunOrder order, Clock clock, List<RunListener> listeners) {
    List<RunListener> all = new ArrayList<>(listeners);
    all.add(this::keep);
    this.clock = clock;
    this.start = clock.instant();
    Environments environments = new Environments(order);
    this.workshop = new Workshop(
        order,
        clock,
        RunNames.fresh(),
        new Masker(order.settings().mask()),
        environments,
        transport,
        new TokenStore(),
        new KnownPaths(),
        order.settings().schemas(order.loader(), environments.all(), order.variables()),
        new Broadcast(all),
        new ConcurrentHashMap<>(),
        BodyBudget.ofHeap());
    this.entries = new Entries(workshop);
    workshop
        .broadcast()
        .tell(new RunEvent.Started(
            RunEvent.Started.FORMAT,
            workshop.run(),
            order.name(),
            order.environment().name(),
            order.seed(),
            start,
            new RunSize(0, 0, order.lanes(), ""),
            environments.warnings()));
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
    return new LateSecrets(workshop.masker()).hidden(journal);
  }

  Workshop workshop() {
    return workshop;
  }

  Entries entries() {
    return entries;
  }

  Clock clock() {
    return clock;
  }

  AtomicInteger leftBehind() {
    return leftBehind;
  }

  /** Why things that a case made could not be taken back. */
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
    workshop
        .broadcast()
        .tell(new RunEvent.Ended(
            clock.instant(),
            (System.nanoTime() - nanos) / 1_000,
            entries.counts(),
            leftBehind.get(),
            false,
            workshop.masker().warnings()));
    transport.close();
  }
}
