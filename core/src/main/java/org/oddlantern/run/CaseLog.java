package org.oddlantern.run;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.oddlantern.http.Exchange;
import org.oddlantern.http.UnseenStatus;
import org.oddlantern.http.Verdict;
import org.oddlantern.http.WireReply;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Undo;

/** Everything one attempt of a case did with its services. Thread-safe. */
final class CaseLog implements CaseRecorder {

  private final String marker;
  private final Consumer<String> secrets;
  private final Consumer<Undo> noted;
  private final IdentityHashMap<Exchange, Entry> entries = new IdentityHashMap<>();
  private final List<Entry> inOrder = new ArrayList<>();
  private final List<Undo> undos = new ArrayList<>();
  private int verdicts;
  private boolean warned;

  CaseLog(String marker, Consumer<String> secrets, Consumer<Undo> noted) {
    this.marker = marker;
    this.secrets = secrets;
    this.noted = noted;
  }

  @Override
  public Optional<String> marker() {
    return Optional.of(marker);
  }

  @Override
  public synchronized void ended(Exchange exchange) {
    Entry entry = new Entry(exchange);
    entries.put(exchange, entry);
    inOrder.add(entry);
  }

  @Override
  public synchronized void judged(Exchange exchange, List<Verdict> made) {
    Entry entry = entries.get(exchange);
    if (entry != null) {
      entry.verdicts.addAll(made);
      verdicts += made.size();
      warned |= made.stream().anyMatch(verdict -> verdict.warning() && !verdict.holds());
    }
  }

  @Override
  public synchronized void statusSeen(Exchange exchange) {
    Entry entry = entries.get(exchange);
    if (entry != null) {
      entry.seen = true;
    }
  }

  @Override
  public void undoNoted(Undo undo) {
    synchronized (this) {
      undos.add(undo);
    }
    noted.accept(undo);
  }

  @Override
  public void secret(String text) {
    secrets.accept(text);
  }

  /** Error statuses that nobody looked at; each becomes a verdict on its exchange. */
  synchronized List<String> judgeUnseen() {
    List<String> unseen = new ArrayList<>();
    for (Entry entry : inOrder) {
      WireReply reply = entry.exchange.reply();
      if (reply != null && reply.status() >= 400 && !entry.seen) {
        entry.seen = true;
        entry.verdicts.add(0, UnseenStatus.verdict(reply));
        unseen.add(entry.exchange.line() + ", answered " + reply.statusLine());
      }
    }
    return unseen;
  }

  synchronized boolean checkedSomething() {
    return verdicts > 0;
  }

  synchronized boolean hasWarned() {
    return warned;
  }

  synchronized List<Undo> undos() {
    return List.copyOf(undos);
  }

  synchronized List<ExchangeRecord> records(Recording recording) {
    inOrder.forEach(entry -> recording.learn(entry.exchange));
    return inOrder.stream()
        .map(entry -> recording.record(entry.exchange, entry.verdicts))
        .toList();
  }

  /** An exchange and what was asked of its reply. */
  private static final class Entry {
    private final Exchange exchange;
    private final List<Verdict> verdicts = new ArrayList<>();
    private boolean seen;

    Entry(Exchange exchange) {
      this.exchange = exchange;
    }
  }
}
