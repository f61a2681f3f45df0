package org.oddlantern.run;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.database.Query;
import org.oddlantern.http.Asked;
import org.oddlantern.http.Exchange;
import org.oddlantern.http.NotAsPromised;
import org.oddlantern.http.UnseenStatus;
import org.oddlantern.http.Verdict;
import org.oddlantern.http.WireReply;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.PrintListener;
import org.oddlantern.internal.SecretListener;
import org.oddlantern.internal.StoryListener;
import org.oddlantern.json.Secret;

/** Everything one attempt of a case did with its services. Thread-safe. */
final class CaseLog implements CaseRecorder, SecretListener, PrintListener, StoryListener {

  private static final int MOST_PRINTED = 1 << 20;
  private static final int MOST_FORGOTTEN = 50;

  private static final int MOST_KEPT = 16 << 20;

  private final String marker;
  private final Clock clock;
  private final SecretListener secrets;
  private final Consumer<Undo> noted;
  private final IdentityHashMap<Asked, Entry> entries = new IdentityHashMap<>();
  private final List<Entry> inOrder = new ArrayList<>();
  private final List<Asked> forgotten = new ArrayList<>();
  private final List<Kept> kept = new ArrayList<>(0);
  private final ByteArrayOutputStream printed = new ByteArrayOutputStream(0);
  private @Nullable Thread owner;
  private int verdicts;
  private boolean warned;

  CaseLog(String marker, Clock clock, SecretListener secrets, Consumer<Undo> noted) {
    this.marker = marker;
    this.clock = clock;
    this.secrets = secrets;
    this.noted = noted;
  }

  /** The case runs in this thread; what other threads find out reaches it by this log alone. */
  synchronized void begun(Thread thread) {
    owner = thread;
  }

  @Override
  public Optional<String> marker() {
    return Optional.of(marker);
  }

  @Override
  public synchronized void ended(Asked asked) {
    Entry entry = new Entry(asked);
    entries.put(asked, entry);
    inOrder.add(entry);
  }

  @Override
  public synchronized void judged(Asked asked, List<Verdict> made) {
    Entry entry = entries.get(asked);
    if (entry != null) {
      entry.verdicts.addAll(made);
      verdicts += made.size();
      for (Verdict verdict : made) {
        warned |= verdict.warning() && !verdict.holds();
      }
      if (owner != null && !owner.equals(Thread.currentThread())) {
        entry.elsewhere.addAll(made);
      }
    }
  }

  @Override
  public synchronized boolean owes(Asked asked, Supplier<List<Verdict>> atEnd) {
    Entry entry = entries.get(asked);
    if (entry != null) {
      entry.atEnd = atEnd;
    }
    return true;
  }

  @Override
  public synchronized int mark() {
    return inOrder.size();
  }

  /** Their secrets stay known: what they brought may be echoed later. */
  @Override
  public synchronized void forget(int mark) {
    List<Entry> earlier = inOrder.subList(mark, inOrder.size());
    earlier.forEach(entry -> entries.remove(entry.asked));
    earlier.stream().limit(MOST_FORGOTTEN).forEach(entry -> forgotten.add(entry.asked));
    while (forgotten.size() > MOST_FORGOTTEN) {
      forgotten.remove(0);
    }
    earlier.clear();
    warned = inOrder.stream()
        .flatMap(entry -> entry.verdicts.stream())
        .anyMatch(verdict -> verdict.warning() && !verdict.holds());
  }

  @Override
  public synchronized void judgedLast(Verdict verdict) {
    for (int last = inOrder.size() - 1; last >= 0; last--) {
      if (!(inOrder.get(last).asked instanceof Step)) {
        judged(inOrder.get(last).asked, List.of(verdict));
        return;
      }
    }
  }

  @Override
  public void step(String words) {
    ended(new Step(words, clock.instant()));
  }

  @Override
  public synchronized void kept(String name, String contentType, byte[] content) {
    int before = kept.stream().mapToInt(one -> one.content.length).sum();
    if (before + (long) content.length > MOST_KEPT) {
      throw new IllegalArgumentException(
          "'%s' has %d bytes; a case keeps %d bytes at most, and has kept %d"
              .formatted(name, content.length, MOST_KEPT, before));
    }
    kept.add(new Kept(name, contentType, content.clone()));
  }

  /** The parts in words, each with how much was asked before it. */
  synchronized List<StepRecord> steps(Recording recording) {
    List<StepRecord> records = new ArrayList<>(0);
    int before = 0;
    for (Entry entry : inOrder) {
      if (entry.asked instanceof Step step) {
        records.add(recording.record(step, before));
      } else {
        before++;
      }
    }
    return records;
  }

  synchronized List<KeptRecord> kept(Recording recording) {
    return kept.stream()
        .map(one -> recording.record(one.name, one.contentType, one.content))
        .toList();
  }

  @Override
  public void undoNoted(Undo undo) {
    noted.accept(undo);
  }

  @Override
  public void secret(Secret secret) {
    secrets.learn(secret.reveal(), secret.variable());
  }

  @Override
  public void learn(String text, String variable) {
    secrets.learn(text, variable);
  }

  @Override
  public synchronized void printed(byte[] bytes, int offset, int length) {
    printed.write(bytes, offset, Math.min(length, Math.max(0, MOST_PRINTED - printed.size())));
  }

  /** What the case printed; the beginning, if it is very long. */
  synchronized String printing() {
    String text = printed.toString(StandardCharsets.UTF_8);
    return printed.size() < MOST_PRINTED ? text : text + "\n... cut after a mebibyte";
  }

  /**
   * Asks for what is due at the end: verdicts that nobody has asked for. Tells what does not hold, and
   * what did not hold in other threads, whose failures nobody may have passed on.
   */
  synchronized List<String> settle(Masker masker, boolean goneIsFine) {
    List<String> broken = new ArrayList<>();
    for (Entry entry : inOrder) {
      List<Verdict> due = entry.atEnd.get();
      entry.atEnd = List::of;
      WireReply reply = entry.asked instanceof Exchange exchange ? exchange.reply() : null;
      entry.verdicts.addAll(0, due);
      for (Verdict verdict : due) {
        if (!verdict.holds() && reply != null && !(goneIsFine && isGone(reply))) {
          broken.add("%s, answered %s: %s"
              .formatted(entry.asked.line(), reply.statusLine(), UnseenStatus.words(verdict)));
        }
      }
      List<Verdict> elsewhere =
          entry.elsewhere.stream().filter(one -> !one.warning() && !one.holds()).toList();
      if (!elsewhere.isEmpty()) {
        String answered = reply == null ? "" : ", answered " + reply.statusLine();
        broken.add(
            new NotAsPromised("in another thread: " + entry.asked.line() + answered, elsewhere)
                .message(masker::verdict));
      }
    }
    return broken;
  }

  /** RFC 9110, sections 15.5.5 and 15.5.11. */
  private static boolean isGone(WireReply reply) {
    return reply.status() == 404 || reply.status() == 410;
  }

  synchronized boolean checkedSomething() {
    return verdicts > 0;
  }

  synchronized boolean hasWarned() {
    return warned;
  }

  synchronized List<ExchangeRecord> exchanges(Recording recording) {
    List<ExchangeRecord> records = new ArrayList<>(inOrder.size());
    for (Entry entry : inOrder) {
      if (entry.asked instanceof Exchange exchange) {
        records.add(recording.record(exchange, entry.verdicts));
      }
    }
    return records;
  }

  /** The queries, each with how many exchanges came before it. */
  synchronized List<QueryRecord> queries(Recording recording) {
    List<QueryRecord> records = new ArrayList<>();
    int before = 0;
    for (Entry entry : inOrder) {
      if (entry.asked instanceof Query query) {
        records.add(recording.record(query, before, entry.verdicts));
      } else if (entry.asked instanceof Exchange) {
        before++;
      }
    }
    return records;
  }

  /** Learns the secrets of everything that was asked; to be called before anything is recorded. */
  synchronized void teach(Recording recording) {
    forgotten.forEach(recording::learn);
    inOrder.forEach(entry -> recording.learn(entry.asked));
  }

  /**
   * Something to be kept.
   *
   * @param name a name for people
   * @param contentType its media type
   * @param content its bytes
   */
  private record Kept(String name, String contentType, byte[] content) {}

  /** Something asked, and what was asked of its answer. */
  private static final class Entry {
    private final Asked asked;
    private final List<Verdict> verdicts = new ArrayList<>();
    private final List<Verdict> elsewhere = new ArrayList<>(0);
    private Supplier<List<Verdict>> atEnd = List::of;

    Entry(Asked asked) {
      this.asked = asked;
    }
  }
}
