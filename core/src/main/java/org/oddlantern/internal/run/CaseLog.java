package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.http.internal.BodyBudget;
import org.oddlantern.http.internal.Caller;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Settling;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.PrintListener;
import org.oddlantern.internal.SecretListener;
import org.oddlantern.internal.StoryListener;
import org.oddlantern.internal.connections.AtWork;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.json.Secret;

/** Everything one attempt of a case did with its services. Thread-safe. */
class CaseLog implements CaseRecorder, SecretListener, PrintListener, StoryListener, AtWork {

  private final Answering answering;
  private final String id;
  private final String name;
  private final Workshop workshop;
  private final Consumer<Undo> noted;
  private final BodyBudget.Hold bodies;
  private final IdentityHashMap<Asked, LogEntry> entries = new IdentityHashMap<>();
  private final List<LogEntry> inOrder = new ArrayList<>();
  private final Forgotten forgotten = new Forgotten();
  private final KeptThings kept = new KeptThings();
  private final AgreedThings agreed;
  private final Presence presence;
  private final Printing printing = new Printing();
  private volatile @Nullable Thread owner;
  private int verdicts;
  private boolean warned;
  private volatile String whyEnded = "";
  private volatile String missed = "";
  private boolean cutOff;

  CaseLog(String id, String name, Workshop workshop, Consumer<Undo> noted, Answering answering) {
    this.answering = answering;
    this.id = id;
    this.name = name;
    this.workshop = workshop;
    this.noted = noted;
    this.bodies = workshop.bodies().hold();
    this.agreed = new AgreedThings(id, workshop.masker());
    this.presence = new Presence(workshop.callers(), Caller.of(workshop.run(), name));
  }

  @Override
  public String nameIn(Thread thread) {
    return thread.equals(owner) ? name : "";
  }

  @Override
  public Answering answering() {
    return answering;
  }

  /** What it holds against what was agreed on. */
  AgreedThings agreed() {
    return agreed;
  }

  /** The memory that its bodies take. */
  BodyBudget.Hold bodies() {
    return bodies;
  }

  /** How many bytes of bodies it holds. */
  synchronized long bodyBytes() {
    long bytes = 0;
    for (LogEntry entry : inOrder) {
      bytes += entry.bodyBytes();
    }
    return bytes;
  }

  /** Lets go of the bodies, where there is no memory to record them. */
  synchronized void dropBodies() {
    inOrder.replaceAll(LogEntry::withoutBody);
  }

  /** The case runs in this thread; what other threads find out reaches it by this log alone. */
  synchronized void begun(Thread thread) {
    owner = thread;
    presence.begun(this);
  }

  /** By what it can be told from others. */
  Presence presence() {
    return presence;
  }

  @Override
  public boolean occupies(String what) {
    return presence.occupies(what);
  }

  @Override
  public Optional<Caller> caller() {
    return Optional.of(presence.caller());
  }

  @Override
  public String whyEnded() {
    return whyEnded;
  }

  @Override
  public synchronized void ended(Asked asked) {
    if (isLate()) {
      late(asked.line() + " was under way when", "");
      return;
    }
    LogEntry entry = new LogEntry(asked);
    entries.put(asked, entry);
    inOrder.add(entry);
  }

  private boolean isLate() {
    return !whyEnded.isEmpty();
  }

  /** What comes after the end belongs to nobody any more, and must not be lost. */
  private void late(String what, String more) {
    if (!cutOff) {
      workshop
          .broadcast()
          .problem(workshop
              .masker()
              .text(
                  "%s the case %s had ended, in the thread '%s'; let a case wait for all that it starts%s"
                      .formatted(what, id, Thread.currentThread().getName(), more)));
    }
  }

  @Override
  public synchronized void judged(Asked asked, List<Verdict> made) {
    List<Verdict> failed = LogEntry.failed(made);
    if (isLate() && !failed.isEmpty()) {
      late("a check failed after", "\n" + new CheckFailed(asked.line(), failed).getMessage());
    }
    LogEntry entry = isLate() ? null : entries.get(asked);
    if (entry != null) {
      entry.verdicts.addAll(made);
      verdicts += made.size();
      for (Verdict verdict : made) {
        warned |= verdict.warning() && !verdict.holds();
      }
      boolean own = owner == null || owner.equals(Thread.currentThread());
      (own ? entry.failed : entry.elsewhere).addAll(failed);
    }
  }

  @Override
  public synchronized boolean owes(Asked asked, Supplier<List<Verdict>> atEnd) {
    LogEntry entry = entries.get(asked);
    if (entry != null) {
      entry.owed.by(atEnd);
    }
    return entry != null;
  }

  @Override
  public synchronized int mark() {
    return inOrder.size();
  }

  /** Their secrets stay known: what they brought may be echoed later. */
  @Override
  public synchronized void forget(int from, int to) {
    List<LogEntry> tries = inOrder.subList(from, to);
    List<LogEntry> earlier = tries.stream().filter(entry -> !entry.isVisit()).toList();
    earlier.forEach(entry -> entries.remove(entry.asked));
    forgotten.add(earlier);
    tries.removeIf(entry -> !entry.isVisit());
    warned = inOrder.stream().anyMatch(LogEntry::warns);
  }

  @Override
  public synchronized Duration askedToWait(int from) {
    return inOrder.subList(Math.min(from, inOrder.size()), inOrder.size()).stream()
        .filter(entry -> !entry.isVisit())
        .map(LogEntry::reply)
        .map(reply ->
            reply == null ? Duration.ZERO : reply.retryAfter(workshop.clock().instant()))
        .max(Comparator.naturalOrder())
        .orElse(Duration.ZERO);
  }

  @Override
  public synchronized void judgedLast(Verdict verdict) {
    for (int last = inOrder.size() - 1; last >= 0; last--) {
      if (!inOrder.get(last).isVisit() && !(inOrder.get(last).asked instanceof Step)) {
        inOrder.get(last).verdicts.add(verdict);
        return;
      }
    }
  }

  @Override
  public void step(String words) {
    ended(new Step(words, workshop.clock().instant()));
  }

  @Override
  public synchronized void kept(String name, String contentType, byte[] content) {
    kept.add(name, contentType, content);
  }

  /** The parts in words, each with how much was asked before it. */
  synchronized List<StepRecord> steps(Recording recording) {
    return new Told(inOrder, recording).steps();
  }

  synchronized List<KeptRecord> kept(Recording recording) {
    return kept.records(recording);
  }

  @Override
  public void undoNoted(Undo undo) {
    noted.accept(undo);
  }

  @Override
  public void missed(String sentence) {
    missed = sentence;
  }

  /** What was looked for last and is not there; empty if all was. */
  String missed() {
    return missed;
  }

  @Override
  public void secret(Secret secret) {
    learn(secret.reveal(), secret.variable());
  }

  @Override
  public void learn(String text, String variable) {
    workshop.masker().learn(text, variable);
  }

  @Override
  public void printed(byte[] bytes, int offset, int length) {
    printing.printed(bytes, offset, length);
  }

  /** What the case printed. */
  String printing() {
    return printing.text();
  }

  /** The case was ended from outside: nothing more is asked, and what comes late is no news. */
  synchronized void cutOff(String why) {
    whyEnded = why;
    cutOff = true;
    presence.ended(this);
  }

  /**
   * Asks for what is due at the end: verdicts that nobody has asked for. Then the case has ended.
   *
   * @param goneIsFine whether what is gone already is no error
   * @param passed whether the case has passed as far as it knows, so that a failure in its own thread was
   *     caught by it
   * @return what does not hold and the case does not know
   */
  List<String> settle(boolean goneIsFine, boolean passed) {
    askDue(0);
    AsDescribed described = new AsDescribed(workshop.broadcast());
    List<LogEntry> all = entries();
    List<@Nullable Verdict> made = new ArrayList<>();
    all.forEach(entry -> made.add(described.verdict(entry)));
    synchronized (this) {
      for (int i = 0; i < all.size(); i++) {
        verdicts += all.get(i).held(made.get(i));
      }
      List<String> broken = new ArrayList<>();
      for (LogEntry entry : inOrder) {
        if (!entry.isFine()) {
          broken.addAll(entry.broken(goneIsFine, passed, workshop.masker()));
        }
      }
      whyEnded = "the case " + id + " has ended";
      presence.ended(this);
      return broken;
    }
  }

  @Override
  public Optional<CheckFailed> settledSince(int mark) {
    askDue(mark);
    synchronized (this) {
      List<CheckFailed> failures = new ArrayList<>();
      for (LogEntry entry : inOrder.subList(Math.min(mark, inOrder.size()), inOrder.size())) {
        List<Verdict> failed =
            entry.owed.verdicts().stream().filter(one -> !one.holds()).toList();
        if (!failed.isEmpty()) {
          failures.add(new CheckFailed(entry.title(), failed));
        }
      }
      return failures.isEmpty() ? Optional.empty() : Optional.of(CheckFailed.all(failures));
    }
  }

  /** Asked outside the lock, since whoever answers may ask himself, in this thread or another. */
  private void askDue(int from) {
    try (CurrentCase.Binding binding = CurrentCase.adding(new Settling())) {
      for (List<LogEntry> all = owing(from); !all.isEmpty(); all = owing(from)) {
        all.forEach(this::askDue);
      }
    }
  }

  private void askDue(LogEntry entry) {
    Supplier<List<Verdict>> asking = claimed(entry);
    if (asking != null) {
      List<Verdict> due = asking.get();
      synchronized (this) {
        entry.owed.answered(due);
        entry.verdicts.addAll(0, due);
        verdicts += due.size();
      }
    }
  }

  /** Each is asked once. */
  private synchronized @Nullable Supplier<List<Verdict>> claimed(LogEntry entry) {
    return entry.owed.claimed();
  }

  /** Those of which verdicts are due; while they are asked, more may come. */
  private synchronized List<LogEntry> owing(int from) {
    int size = inOrder.size();
    List<LogEntry> owing = new ArrayList<>(inOrder.subList(Math.min(from, size), size));
    owing.removeIf(entry -> !entry.owed.isOpen());
    return owing;
  }

  /** What was asked so far, with what was found. */
  synchronized List<LogEntry> entries() {
    return List.copyOf(inOrder);
  }

  /** Takes another verdict for one, which says more. */
  synchronized void replace(LogEntry entry, Verdict made, Verdict other) {
    entry.verdicts.replaceAll(verdict -> verdict.equals(made) ? other : verdict);
  }

  synchronized boolean checkedSomething() {
    return verdicts > 0;
  }

  synchronized boolean isUndescribed() {
    boolean some = false;
    for (LogEntry entry : inOrder) {
      some |= entry.undescribed;
    }
    return some;
  }

  synchronized boolean hasWarned() {
    return warned;
  }

  synchronized List<ExchangeRecord> exchanges(Recording recording) {
    return new Told(inOrder, recording).exchanges();
  }

  /** The looks, each with how many exchanges came before it. */
  synchronized List<LookRecord> queries(Recording recording) {
    return new Told(inOrder, recording).queries();
  }

  /** Learns the secrets of everything that was asked; to be called before anything is recorded. */
  synchronized void teach(Recording recording) {
    forgotten.forEach(recording::learn);
    inOrder.forEach(entry -> recording.learn(entry.asked));
  }
}
