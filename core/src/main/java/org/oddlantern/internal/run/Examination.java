package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.internal.blind.Change;
import org.oddlantern.internal.blind.Examined;
import org.oddlantern.internal.blind.Fate;
import org.oddlantern.internal.blind.OnPurpose;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.json.internal.TreeDifference;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Does one case again: first unchanged, to see whether that can be done at all, then once for each change of
 * an answer. Works in the lane of the case, which gives up on a replay that takes too long.
 */
final class Examination {

  private static final int MOST = 600;
  private static final int MOST_OF_ONE = 150;
  private static final int MOST_LATE = 3;
  private static final long LEAST_LIMIT = Duration.ofSeconds(1).toNanos();
  private static final long LEAST_TOGETHER = Duration.ofSeconds(5).toNanos();

  /** Once for each case; on a busy machine two seconds were too few for one of some milliseconds. */
  private static final long LEAST_UNCHANGED = Duration.ofSeconds(6).toNanos();

  private final PlannedCase one;
  private final Performance before;
  private final CaseAgain again;
  private final String taker;
  private final Examiner examiner;
  private final OnPurpose own;
  private final Map<Integer, Set<String>> restless = new HashMap<>();
  private final Set<String> restlessValue = new HashSet<>();
  private final Set<String> steady = new HashSet<>();
  private final List<Change> changes = new ArrayList<>();
  private final Set<Integer> late = new HashSet<>();
  private final IdentityHashMap<Change, Integer> entries = new IdentityHashMap<>();
  private Retelling.Script script = new Retelling.Script(List.of());
  private Map<Integer, Question<?>> asked = Map.of();
  private @Nullable JsonNode value;
  private @Nullable Examined examined;
  private String reason = "";
  private long unchanged;
  private long warnings;
  private long end;
  private int next;
  private int untried;
  private volatile long deadline;
  private final AtomicInteger turn = new AtomicInteger();

  Examination(
      PlannedCase one, Performance before, CaseAgain again, String taker, Examiner examiner) {
    this.one = one;
    this.before = before;
    this.again = again;
    this.taker = taker;
    this.examiner = examiner;
    this.own = new OnPurpose(one.definition().marks().unwatched());
  }

  /**
   * Does all of it.
   *
   * @return why the case cannot be done again, in words; empty if it was
   * @throws Lane.Stopped if the run was stopped meanwhile, so that there is nothing to tell
   */
  String done(Lane lane) throws Lane.Stopped {
    reason = whyNot();
    if (!reason.isEmpty()) {
      return reason;
    }
    script = new Retelling.Script(before.tape().ended());
    deadline = System.nanoTime() + Math.max(LEAST_UNCHANGED, 2 * before.nanos());
    if (!lane.watched(this::first, () -> deadline, turn::incrementAndGet)) {
      return "it did not come to an end";
    }
    while (reason.isEmpty() && next < changes.size()) {
      deadline = System.nanoTime() + limit();
      if (!lane.watched(this::rest, () -> deadline, turn::incrementAndGet)) {
        late();
      }
    }
    return reason;
  }

  /** What is late once may have waited for a busy machine; what is late again has no end. */
  private void late() {
    if (next >= changes.size()) {
      return; // all were tried in the moment in which it was given up
    }
    if (late.add(next)) {
      end = late.size() > MOST_LATE ? end : Math.max(end, System.nanoTime() + LEAST_TOGETHER);
    } else {
      fate(changes.get(next), Fate.NOTICED);
      next++;
    }
  }

  private String whyNot() {
    if (!one.definition().marks().notAgain().isEmpty()) {
      return one.definition().marks().notAgain();
    }
    if (!one.definition().marks().knownFault().isEmpty()) {
      return "it is known to have a fault";
    }
    if (!before.tape().refused().isEmpty()) {
      return "it " + before.tape().refused();
    }
    if (before.tape().isTooLarge()) {
      return "the reply it received is too large to be sent again";
    }
    if (before.tape().ended().stream().noneMatch(Tape.Entry::isAsked)) {
      return "it asked nothing through Odd Lantern";
    }
    String changed = before.changedType();
    return changed.isEmpty()
        ? ""
        : "it changed the " + changed + " that it was given, which others may take";
  }

  private long limit() {
    return Math.max(LEAST_LIMIT, 2 * unchanged);
  }

  /** Unchanged. */
  private void first() {
    Retelling retelling = script.unchanged();
    CaseAgain.Done done = again.done(retelling);
    if (turn.get() > 0) {
      return;
    }
    unchanged = done.nanos();
    if (!done.hasPassed()) {
      reason = retelling.trouble().isEmpty()
          ? "it passed only once: " + done.wrong()
          : retelling.trouble();
      return;
    }
    Question<?> left = retelling.unasked();
    if (left != null) {
      reason = "it did not ask again for " + left.text();
      return;
    }
    warnings = done.warnings();
    asked = retelling.asked();
    value = taker.isEmpty() ? null : before.handedOn();
    asked.forEach((index, question) -> restless
        .computeIfAbsent(index, any -> new HashSet<>())
        .addAll(new Sent(question).differences(new Sent(script.entries().get(index).question))));
    restlessValue.addAll(differences(done));
    plan();
  }

  /** What is to be tried, in rounds, as much as there is room for. */
  private void plan() {
    Examined all = new Examined(
        script.entries().stream().map(entry -> entry.answered).toList(),
        before.log().entries().stream()
            .map(entry ->
                new Examined.Told(entry.asked, entry.counts(), List.copyOf(entry.verdicts)))
            .toList(),
        before.takenBefore(),
        List.of(own, examiner.onPurpose()),
        examiner::watched);
    examined = all;
    for (Examined.Target target : all.targets()) {
      Object rewritten = target.rewritten();
      if (rewritten != null && fate(target.index(), rewritten) != Fate.UNNOTICED) {
        target.leaveTree();
      }
      List<Change> some = target.changes();
      untried += Math.max(0, some.size() - MOST_OF_ONE);
      some.stream().limit(MOST_OF_ONE).forEach(change -> {
        changes.add(change);
        entries.put(change, target.index());
      });
    }
    changes.sort(Comparator.comparingInt(Change::round));
    if (changes.size() > MOST) {
      untried += changes.size() - MOST;
      changes.subList(MOST, changes.size()).clear();
    }
    end = System.nanoTime() + Math.max(LEAST_TOGETHER, 10 * before.nanos());
  }

  /** One change after the other, until all are tried or the lane gives up. */
  private void rest() {
    int own = turn.get();
    Examined all = examined;
    while (all != null && next < changes.size() && own == turn.get()) {
      Change change = changes.get(next);
      if (System.nanoTime() - end > 0) {
        untried += changes.size() - next;
        next = changes.size();
        return;
      }
      if (!all.isSettled(change)) {
        deadline = System.nanoTime() + limit();
        Fate fate = tried(change);
        if (own != turn.get()) {
          return; // the lane has decided what came of it
        }
        fate(change, fate);
      }
      next++;
    }
  }

  private void fate(Change change, Fate fate) {
    if (examined != null) {
      examined.fate(change, fate, taker);
    }
  }

  private Fate tried(Change change) {
    return fate(entries.getOrDefault(change, 0), change.answer().get());
  }

  private Fate fate(int changed, Object answer) {
    Retelling retelling = script.with(changed, answer);
    CaseAgain.Done done = again.done(retelling);
    if (!done.hasPassed() || done.warnings() > warnings) {
      return Fate.NOTICED;
    }
    Set<String> carried = carried(retelling, done);
    if (carried.isEmpty()) {
      return Fate.UNNOTICED;
    }
    if (!steady.containsAll(carried)) {
      carried = proven(retelling, done, carried);
    }
    return carried.isEmpty() ? Fate.UNNOTICED : Fate.CARRIED_ON;
  }

  /** What is another than it was when all answers were as they were. */
  private Set<String> carried(Retelling retelling, CaseAgain.Done done) {
    Set<String> carried = new HashSet<>();
    retelling.asked().forEach((index, question) -> {
      Question<?> usual = asked.get(index);
      if (usual != null) {
        Set<String> differences = new Sent(question).differences(new Sent(usual));
        differences.removeAll(restless.getOrDefault(index, Set.of()));
        differences.forEach(place -> carried.add(index + " " + place));
      }
    });
    Set<String> inValue = differences(done);
    inValue.removeAll(restlessValue);
    inValue.forEach(place -> carried.add("value " + place));
    return carried;
  }

  /** What does not change by itself, as a clock does, seen once more. */
  private Set<String> proven(Retelling changed, CaseAgain.Done done, Set<String> carried) {
    Retelling retelling = script.unchanged();
    CaseAgain.Done usual = again.done(retelling);
    retelling.asked().forEach((index, question) -> {
      Question<?> before = asked.get(index);
      if (before != null) {
        restless
            .computeIfAbsent(index, any -> new HashSet<>())
            .addAll(new Sent(question).differences(new Sent(before)));
      }
    });
    restlessValue.addAll(differences(usual));
    steady.addAll(carried);
    return carried(changed, done);
  }

  private Set<String> differences(CaseAgain.Done done) {
    JsonNode usual = value;
    if (usual == null) {
      return new HashSet<>();
    }
    JsonNode other = Performance.told(done.value());
    return other == null
        ? new HashSet<>(Set.of("$"))
        : new HashSet<>(TreeDifference.places(usual, other));
  }

  /** What came of it. */
  ExaminedRecord told(String id, long micros, Masker masker) {
    Examined all = examined;
    if (all == null) {
      return ExaminedRecord.not(id, reason, micros);
    }
    all.byValue().forEach(examiner::watches);
    List<ExaminedAnswer> answers = all.answers(masker);
    own.unknown(true)
        .forEach((place, hint) ->
            examiner.unknown("@Unwatched of " + one.definition().id(), place, hint));
    return new ExaminedRecord(id, "", micros, unchanged / 1_000, all.tried(), untried, answers);
  }
}
