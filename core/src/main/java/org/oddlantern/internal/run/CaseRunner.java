package org.oddlantern.internal.run;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.PlannedSupply;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;

/** Runs one case with all its tries, or makes one shared supply. */
final class CaseRunner {

  private final Workshop workshop;
  private final Handed handed;
  private final Entries entries;
  private final Ledger ledger;
  private final Examiner examiner;
  private final Meanwhile meanwhile;

  CaseRunner(Workshop workshop, Handed handed, Entries entries, Ledger ledger, Examiner examiner) {
    this.meanwhile = new Meanwhile(workshop.order().plan().nodes(), handed);
    this.examiner = examiner;
    this.workshop = workshop;
    this.handed = handed;
    this.entries = entries;
    this.ledger = ledger;
  }

  /**
   * Runs a case in a lane.
   *
   * @param one the case
   * @param lane the lane
   * @param held what keeps every case from running; empty if nothing does
   * @param putBacks puts back what an earlier try made
   * @param after hears what came of it, and what it made; maybe in another thread
   */
  void run(PlannedCase one, Lane lane, String held, PutBacks putBacks, Consumer<Made> after) {
    Instant start = workshop.clock().instant();
    long nanos = System.nanoTime();
    Attempt before = beforeRunning(one, held);
    if (before != null) {
      Try none = new Try(before, log(one), new Belongings(ledger), null);
      after.accept(told(one, 0, none, List.of(), Entries.Took.since(start, nanos)));
      return;
    }
    entries.begun(CaseFacts.of(one), lane.number());
    List<AttemptRecord> earlier = new ArrayList<>();
    int tries = one.definition().marks().tries();
    for (int number = 1; ; number++) {
      Instant tryStart = workshop.clock().instant();
      long tryNanos = System.nanoTime();
      Consumer<Try> left = number < tries
          ? null
          : last -> after.accept(
              told(one, lane.number(), last, earlier, Entries.Took.since(start, nanos)));
      Try tried = tried(one, lane, number, left);
      Outcome outcome = tried.attempt.outcome();
      boolean again = outcome == Outcome.FAILED || outcome == Outcome.ERRORED;
      if (!again || number >= tries) {
        Made made = told(one, lane.number(), tried, earlier, Entries.Took.since(start, nanos));
        examine(one, tried, lane);
        after.accept(made);
        return;
      }
      earlier.add(
          entries.earlier(tried.attempt, tried.log, Entries.Took.since(tryStart, tryNanos)));
      putBacks.all(Ledger.newestFirst(tried.belongings.sealed()));
    }
  }

  private void examine(PlannedCase one, Try tried, Lane lane) {
    Performance performance = tried.performance;
    if (performance != null && tried.attempt.outcome() == Outcome.PASSED) {
      examiner.examine(one, performance, lane);
    }
  }

  /** A case that never came to run. */
  void interrupted(PlannedCase one) {
    Instant now = workshop.clock().instant();
    Attempt attempt = Attempt.interrupted("it had not run when the run was stopped");
    told(
        one,
        0,
        new Try(attempt, log(one), new Belongings(ledger), null),
        List.of(),
        new Entries.Took(now, 0));
  }

  /** Makes a shared supply in a lane. */
  Made supply(PlannedSupply one, Lane lane, String held) {
    Belongings belongings = new Belongings(ledger);
    Attempt before = heldUp(one, held);
    if (before != null) {
      return new Made(before, belongings);
    }
    Asker asker = new Asker(
        workshop, handed, entries, lane, one.definition().id(), one.order(), "", belongings);
    return new Made(asker.supply(one.bound(), belongings.life(), "", ""), belongings);
  }

  private @Nullable Attempt beforeRunning(PlannedCase one, String held) {
    CaseDefinition definition = one.definition();
    Attempt marked = new Marks(definition.marks(), workshop.clock()).attempt(definition.position());
    if (marked != null) {
      return marked;
    }
    return heldUp(one, held);
  }

  private @Nullable Attempt heldUp(Planned one, String held) {
    return held.isEmpty() ? handed.spread(one) : Attempt.blocked(held);
  }

  private Try tried(PlannedCase one, Lane lane, int number, @Nullable Consumer<Try> left) {
    CaseDefinition definition = one.definition();
    String attempt = number == 1 ? "" : " try " + number;
    Belongings belongings = new Belongings(ledger);
    Asker asker = new Asker(
        workshop, handed, entries, lane, definition.id(), one.order(), attempt, belongings);
    Tape tape = examiner.isWanted() ? new Tape() : null;
    Work work = asker.work(definition, attempt, tape == null ? Answering.LIVE : tape);
    work.log().presence().occupying(Set.copyOf(definition.marks().occupies()));
    meanwhile.begun(one, work.log());
    TakenValues values = new TakenValues();
    if (!asker.gathers(one.bound(), values)) {
      return new Try(asker.failure(), work.log(), belongings, null);
    }
    Performance performance =
        tape == null ? null : new Performance(work.log(), tape, values, attempt);
    Duration limit = definition.marks().timeLimit();
    Callable<@Nullable Object> body = asker.call(one.bound(), work, values);
    Attempt done = judged(
        definition,
        left == null
            ? work.done(lane, limit, body)
            : work.doneHere(
                lane,
                limit,
                body,
                ended ->
                    left.accept(new Try(judged(definition, ended), work.log(), belongings, null))));
    if (done.value() != null) {
      asker.keep(one.bound(), done.value(), belongings.life());
    }
    if (done.outcome() == Outcome.PASSED) {
      asker.useUp(one.bound());
    }
    return new Try(
        done, work.log(), belongings, performance == null ? null : performance.ended(done.value()));
  }

  private static Attempt judged(CaseDefinition definition, Attempt done) {
    if (done.outcome() == Outcome.PASSED) {
      if (definition.handsOn() == null) {
        return Attempt.passed(null);
      }
      return done.value() == null
          ? Attempt.errored(
              "it returned null, so there is nothing to hand on; return the value, or declare the method void")
          : done;
    }
    ProblemRecord problem = done.problem();
    return problem != null && problem.at().isEmpty() && done.outcome() == Outcome.FAILED
        ? Attempt.failed(problem.message(), definition.position().toString())
        : done;
  }

  private Made told(
      PlannedCase one, int lane, Try last, List<AttemptRecord> earlier, Entries.Took took) {
    Attempt attempt = last.attempt;
    if (attempt.outcome() == Outcome.FAILED) {
      meanwhile.explain(one, last.log);
    }
    meanwhile.ended(one, last.log);
    boolean fault = !one.definition().marks().knownFault().isEmpty();
    if (fault && attempt.outcome() == Outcome.FAILED && lane > 0) {
      attempt = attempt.known();
    }
    boolean passed = attempt.outcome() == Outcome.PASSED;
    List<Mark> marks = new ArrayList<>();
    if (last.log.hasWarned()) {
      marks.add(Mark.WARNED);
    }
    if (last.log.isUndescribed()) {
      marks.add(Mark.UNDESCRIBED);
    }
    if (passed && !last.log.checkedSomething()) {
      marks.add(Mark.UNPROVEN);
    }
    if (one.needed()) {
      marks.add(Mark.NEEDED);
    }
    if (passed && fault && last.log.checkedSomething()) {
      marks.add(Mark.FIXED);
    }
    if (passed && !earlier.isEmpty()) {
      marks.add(Mark.FLAKY);
    }
    entries.tell(CaseFacts.of(one), lane, attempt, marks, last.log, earlier, took);
    return new Made(attempt, last.belongings);
  }

  /** The record of a case that does nothing. */
  private CaseLog log(PlannedCase one) {
    CaseId id = one.definition().id();
    return new CaseLog(id.toString(), id.brief(), workshop, undo -> {}, Answering.LIVE);
  }

  /**
   * What came of a case or a shared supply.
   *
   * @param attempt the last attempt
   * @param belongings what it made
   */
  record Made(Attempt attempt, Belongings belongings) {}

  /** One try of a case. */
  private record Try(
      Attempt attempt,
      CaseLog log,
      Belongings belongings,
      @Nullable Performance performance) {}
}
