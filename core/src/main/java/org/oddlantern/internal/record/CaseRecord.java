package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A case that has an outcome, or a supply that was made for one, as recorded: secrets masked.
 *
 * @param head which case it is
 * @param timing when and where it ran
 * @param ending how it ended
 * @param earlier the tries before the last one, which is this
 * @param trail what it asked, printed and kept
 * @param source its code, where it was found and what ended the case does not tell it; null else
 */
public record CaseRecord(
    CaseHead head,
    CaseTiming timing,
    CaseEnding ending,
    List<AttemptRecord> earlier,
    CaseTrail trail,
    @Nullable SourceRecord source) {

  /** Keeps its own list. */
  public CaseRecord {
    earlier = List.copyOf(earlier);
  }

  /** Whether it is a case. */
  public RecordKind kind() {
    return head.kind();
  }

  /** What it is known by. */
  public String id() {
    return head.id();
  }

  /** The full name of its class. */
  public String type() {
    int end = head.id().indexOf('#');
    return end < 0 ? head.id() : head.id().substring(0, end);
  }

  /** Its suite. */
  public String suite() {
    return head.suite();
  }

  /** Its title. */
  public String title() {
    return head.title();
  }

  /** Where it stands in the sources. */
  public String place() {
    return head.place();
  }

  /** Whom a supply was made for; empty for others. */
  public String whose() {
    return head.whose();
  }

  /** Where a fault is noted that it is known to have; empty if none. */
  public String knownFault() {
    return head.knownFault();
  }

  /** Its place in the order of the plan. */
  public int order() {
    return timing.order();
  }

  /** The lane it ran in; 0 if it did not run. */
  public int lane() {
    return timing.lane();
  }

  /** When it began. */
  public Instant startedAt() {
    return timing.startedAt();
  }

  /** Microseconds it took. */
  public long tookMicros() {
    return timing.tookMicros();
  }

  /** The cases and supplies that had to come before it. */
  public List<String> waitedFor() {
    return timing.waitedFor();
  }

  /** Its outcome. */
  public Outcome outcome() {
    return ending.outcome();
  }

  /** What else there is to say of it. */
  public List<Mark> marks() {
    return ending.marks();
  }

  /** What ended it or kept it from running; null if it passed. */
  public @Nullable ProblemRecord problem() {
    return ending.problem();
  }

  /** Its calls in order. */
  public List<ExchangeRecord> exchanges() {
    return trail.exchanges();
  }

  /** Its looks into databases in order. */
  public List<LookRecord> queries() {
    return trail.queries();
  }

  /** What it printed. */
  public String printed() {
    return trail.printed();
  }

  /** Its parts in words. */
  public List<StepRecord> steps() {
    return trail.steps();
  }

  /** What it wanted kept with its results. */
  public List<KeptRecord> kept() {
    return trail.kept();
  }

  /** Its replies that were held against what was agreed on. */
  public List<AgreedRecord> agreed() {
    return trail.agreed();
  }

  /**
   * The word a report begins with: the outcome, or that a pass proves nothing, or was no case.
   *
   * @return {@code passed}, {@code unproven}, {@code supplied}, {@code failed}, ...
   */
  public String word() {
    if (kind() == RecordKind.SUPPLY && outcome() == Outcome.PASSED) {
      return "supplied";
    }
    return outcome() == Outcome.PASSED && !outcome().hasPassed(marks())
        ? Mark.UNPROVEN.word()
        : outcome().word();
  }

  /**
   * Everything it asked, in order.
   *
   * @return its calls, and its looks into databases where they came
   */
  public List<AskedRecord> asked() {
    List<AskedRecord> asked = new ArrayList<>();
    List<ExchangeRecord> exchanges = exchanges();
    List<LookRecord> queries = queries();
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
    return lane() > 0;
  }

  /**
   * Whether it counts among the outcomes of the run.
   *
   * @return true for a case, and for a supply that failed
   */
  public boolean counts() {
    return kind() == RecordKind.CASE || outcome() != Outcome.PASSED;
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
    CaseTiming when = timing.with(order(), lane(), waiting);
    return new CaseRecord(head, when, ending.told(why), List.of(), CaseTrail.NONE, null);
  }

  /**
   * What is enough to list it and to tell what it waited for.
   *
   * @return the record without what was sent, came, was printed or kept, and without code and stack
   */
  public CaseRecord listed() {
    ProblemRecord problem = problem();
    return brief(problem == null ? null : problem.brief(), waitedFor());
  }

  /** This record with other exchanges, its own and those of earlier tries. */
  public CaseRecord withExchanges(List<ExchangeRecord> others, List<AttemptRecord> otherEarlier) {
    CaseTrail other = new CaseTrail(others, queries(), printed(), steps(), kept(), agreed());
    return new CaseRecord(head, timing, ending, otherEarlier, other, source);
  }

  /** This record with what was kept, and came to be agreed on, lying elsewhere. */
  public CaseRecord withFiles(List<KeptRecord> others, List<AgreedRecord> otherAgreed) {
    CaseTrail other =
        new CaseTrail(exchanges(), queries(), printed(), steps(), others, otherAgreed);
    return new CaseRecord(head, timing, ending, earlier, other, source);
  }

  /** This record at another place in the order. */
  public CaseRecord inOrder(int other) {
    return at(timing.with(other, lane(), waitedFor()));
  }

  /** This record in another lane. */
  public CaseRecord inLane(int other) {
    return at(timing.with(order(), other, waitedFor()));
  }

  private CaseRecord at(CaseTiming other) {
    return new CaseRecord(head, other, ending, earlier, trail, source);
  }
}
