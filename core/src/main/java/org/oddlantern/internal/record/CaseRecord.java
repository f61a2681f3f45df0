package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A finished case, or something that a supply made, as recorded: secrets masked.
 *
 * @param kind which of them
 * @param id what it is known by: {@code package.Class#method}
 * @param suite the simple name of its suite, sections joined by {@code >}
 * @param title its title
 * @param place where it stands in the source, as {@code File.java:12}
 * @param order its place in source order
 * @param whose for whom a supply made it; empty for a shared one and for a case
 * @param lane the lane it ran in, from 1; 0 if it did not run
 * @param outcome how it ended
 * @param marks what else there is to say
 * @param startedAt when it began; for a blocked case when that was known
 * @param tookMicros microseconds it took
 * @param earlier the tries before the last one, which is this
 * @param exchanges its calls in order
 * @param queries its looks into databases in order
 * @param knownFault where a fault is noted that it is known to have; empty if none
 * @param problem what ended it or kept it from running; null if it passed
 * @param printed what it printed; may be empty
 * @param steps its parts in words
 * @param kept what it wanted kept with its results
 * @param waitedFor the cases and supplies that had to come before it
 * @param source its code, where it was found and what ended the case does not tell it; null else
 */
public record CaseRecord(
    RecordKind kind,
    String id,
    String suite,
    String title,
    String place,
    int order,
    String whose,
    int lane,
    Outcome outcome,
    List<Mark> marks,
    Instant startedAt,
    long tookMicros,
    List<AttemptRecord> earlier,
    List<ExchangeRecord> exchanges,
    List<QueryRecord> queries,
    String knownFault,
    @Nullable ProblemRecord problem,
    String printed,
    List<StepRecord> steps,
    List<KeptRecord> kept,
    List<String> waitedFor,
    @Nullable SourceRecord source) {

  /** What is absent in a journal is empty here. */
  public CaseRecord {
    kind = kind == null ? RecordKind.CASE : kind;
    whose = whose == null ? "" : whose;
    earlier = earlier == null ? List.of() : List.copyOf(earlier);
    marks = marks == null ? List.of() : List.copyOf(marks);
    exchanges = exchanges == null ? List.of() : List.copyOf(exchanges);
    queries = queries == null ? List.of() : List.copyOf(queries);
    knownFault = knownFault == null ? "" : knownFault;
    printed = printed == null ? "" : printed;
    steps = steps == null ? List.of() : List.copyOf(steps);
    kept = kept == null ? List.of() : List.copyOf(kept);
    waitedFor = waitedFor == null ? List.of() : List.copyOf(waitedFor);
  }

  /**
   * The word a report begins with: the outcome, or that a pass proves nothing, or was no case.
   *
   * @return {@code passed}, {@code unproven}, {@code supplied}, {@code failed}, ...
   */
  public String word() {
    if (kind == RecordKind.SUPPLY && outcome == Outcome.PASSED) {
      return "supplied";
    }
    return outcome == Outcome.PASSED && marks.contains(Mark.UNPROVEN)
        ? Mark.UNPROVEN.word()
        : outcome.word();
  }

  /**
   * Everything it asked, in order.
   *
   * @return its calls, and its looks into databases where they came
   */
  public List<AskedRecord> asked() {
    List<AskedRecord> asked = new ArrayList<>();
    int next = 0;
    for (int i = 0; i <= exchanges.size(); i++) {
      while (next < queries.size() && (queries.get(next).after() <= i || i == exchanges.size())) {
        asked.add(queries.get(next++));
      }
      if (i < exchanges.size()) {
        asked.add(exchanges.get(i));
      }
    }
    return asked;
  }

  /**
   * Whether it came to run at all.
   *
   * @return false if it was skipped, blocked, is pending, or the run was stopped before
   */
  public boolean hasRun() {
    return lane > 0;
  }

  /**
   * Whether it counts among the outcomes of the run.
   *
   * @return true for a case, and for a supply that failed
   */
  public boolean counts() {
    return kind == RecordKind.CASE || outcome != Outcome.PASSED;
  }

  /**
   * This record without what was asked, printed and kept.
   *
   * @param why what ended it, as it is to be told; null if it passed
   * @return how it ended and how long it took
   */
  public CaseRecord brief(@Nullable ProblemRecord why) {
    return brief(why, List.of());
  }

  private CaseRecord brief(@Nullable ProblemRecord why, List<String> waiting) {
    return new CaseRecord(
        kind,
        id,
        suite,
        title,
        place,
        order,
        whose,
        lane,
        outcome,
        marks,
        startedAt,
        tookMicros,
        List.of(),
        List.of(),
        List.of(),
        knownFault,
        why,
        "",
        List.of(),
        List.of(),
        waiting,
        null);
  }

  /**
   * What is enough to list it and to tell what it waited for.
   *
   * @return the record without what was sent, came, was printed or kept, and without code and stack
   */
  public CaseRecord listed() {
    return brief(problem == null ? null : problem.brief(), waitedFor);
  }

  /** This record with other exchanges, its own and those of earlier tries. */
  public CaseRecord withExchanges(List<ExchangeRecord> others, List<AttemptRecord> otherEarlier) {
    return with(order, lane, otherEarlier, others, kept);
  }

  /** This record with what was kept lying elsewhere. */
  public CaseRecord withKept(List<KeptRecord> others) {
    return with(order, lane, earlier, exchanges, others);
  }

  /** This record at another place in the order. */
  public CaseRecord inOrder(int other) {
    return with(other, lane, earlier, exchanges, kept);
  }

  /** This record in another lane. */
  public CaseRecord inLane(int other) {
    return with(order, other, earlier, exchanges, kept);
  }

  private CaseRecord with(
      int otherOrder,
      int otherLane,
      List<AttemptRecord> otherEarlier,
      List<ExchangeRecord> otherExchanges,
      List<KeptRecord> otherKept) {
    return new CaseRecord(
        kind,
        id,
        suite,
        title,
        place,
        otherOrder,
        whose,
        otherLane,
        outcome,
        marks,
        startedAt,
        tookMicros,
        otherEarlier,
        otherExchanges,
        queries,
        knownFault,
        problem,
        printed,
        steps,
        otherKept,
        waitedFor,
        source);
  }
}
