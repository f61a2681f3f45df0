package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RunEvent;

/** Puts things back in one lane, each within its limit, and tells of it: rules 19 to 23. */
final class PutBacks {

  static final Duration LIMIT = Duration.ofSeconds(10);

  private final Workshop workshop;
  private final Entries entries;
  private final Lane lane;
  private final AtomicInteger leftBehind;
  private final long end;

  /**
   * Puts back.
   *
   * @param run the run it belongs to
   * @param lane where it is done
   * @param together how long all may take together
   */
  PutBacks(RunFrame.Begun run, Lane lane, Duration together) {
    this.workshop = run.workshop();
    this.entries = run.entries();
    this.lane = lane;
    this.leftBehind = run.leftBehind();
    this.end = System.nanoTime() + together.toNanos();
  }

  void all(List<Belonging> ending) {
    ending.forEach(one -> one.deed().done(this));
  }

  /** Sends an undoing call. */
  void undo(String id, Undo undo) {
    if (undo.outlivesRun()) {
      began(id, workshop.masker().text(undo.line()));
    }
    Duration limit = left();
    Undo.Taken taken = limit.isZero()
        ? new Undo.Taken(null, "no time was left for it when the run was stopped")
        : undo.putBack(limit);
    if (!undo.outlivesRun() && taken.problem().isEmpty()) {
      return;
    }
    tell(
        id,
        workshop.masker().text(undo.line()),
        taken.problem(),
        taken.exchange() == null ? List.of() : List.of(entries.exchange(taken.exchange())));
  }

  /** Runs a piece of the suite's code that puts something back. */
  void work(String id, String deed, Work work, Callable<@Nullable Object> body) {
    began(id, deed);
    Duration limit = left();
    Attempt attempt = limit.isZero()
        ? Attempt.errored("no time was left for it when the run was stopped")
        : work.putBack(lane, limit, body);
    ProblemRecord problem = attempt.problem();
    String why = problem == null
        ? ""
        : (problem.type().isEmpty() ? "" : problem.type() + ": ")
            + problem.message()
            + (problem.at().isEmpty() ? "" : " (" + problem.at() + ")");
    tell(id, deed, why, entries.exchanges(work.log()));
  }

  Workshop workshop() {
    return workshop;
  }

  private void began(String id, String deed) {
    workshop.broadcast().tell(new RunEvent.PutBackBegan(workshop.masker().id(id), deed));
  }

  private Duration left() {
    long left = Math.min(LIMIT.toNanos(), end - System.nanoTime());
    return Duration.ofNanos(Math.max(0, left));
  }

  private void tell(String id, String deed, String problem, List<ExchangeRecord> exchanges) {
    if (!problem.isEmpty()) {
      leftBehind.incrementAndGet();
    }
    Masker masker = workshop.masker();
    workshop
        .broadcast()
        .tell(new RunEvent.PutBack(masker.id(id), deed, masker.text(problem), exchanges));
  }
}
