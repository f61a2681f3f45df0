package org.oddlantern.internal.run;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.SuiteName;
import org.oddlantern.internal.plan.SupplyDefinition;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.SourceRecord;

/** Makes records of cases and supplies, counts them and tells of them. Thread-safe. */
final class Entries {

  private static final long LARGE = 4 << 20;

  private final Workshop workshop;
  private final Recording recording;
  private final SourceFiles sources;
  private final Object large = new Object();
  private final Map<String, Integer> counts = new LinkedHashMap<>();

  Entries(Workshop workshop) {
    this.workshop = workshop;
    this.recording = new Recording(workshop.masker());
    this.sources = SourceFiles.of(workshop.order().settings().folder());
  }

  /** How many ended how, by word. */
  synchronized Map<String, Integer> counts() {
    return Map.copyOf(counts);
  }

  /** Tells that a case begins. */
  void begun(CaseFacts one, int lane) {
    if (!workshop.broadcast().tellsBeginnings()) {
      return;
    }
    Masker masker = workshop.masker();
    workshop
        .broadcast()
        .tell(new RunEvent.CaseBegan(
            masker.id(one.id().toString()),
            SuiteName.of(one.suite()),
            one.title().told(masker::text),
            lane));
  }

  /** Notes the beginning of a supply's making. */
  Supplying supplying(SupplyDefinition supply, Work work, int order, String whose) {
    return new Supplying(supply, work, order, whose);
  }

  /** A try of a case that was not the last. */
  AttemptRecord earlier(Attempt attempt, CaseLog log, Took took) {
    AttemptRecord record = recorded(log, () -> {
      log.teach(recording);
      return new AttemptRecord(
          attempt.outcome(),
          took.start(),
          took.micros(),
          log.exchanges(recording),
          log.queries(recording),
          masked(attempt.problem()),
          workshop.masker().text(log.printing()));
    });
    log.bodies().free();
    return record;
  }

  /** Large bodies are recorded one case at a time; where even that takes too much memory, without them. */
  private <T> T recorded(CaseLog log, Supplier<T> recording) {
    if (log.bodyBytes() < LARGE) {
      return recording.get();
    }
    synchronized (large) {
      try {
        return recording.get();
      } catch (OutOfMemoryError e) {
        log.dropBodies();
        return recording.get();
      }
    }
  }

  /** A case has an outcome. */
  void tell(
      CaseFacts one,
      int lane,
      Attempt attempt,
      List<Mark> marks,
      CaseLog log,
      List<AttemptRecord> earlier,
      Took took) {
    tell(log, () -> {
      log.teach(recording);
      ProblemRecord problem = located(masked(attempt.problem()), attempt, one);
      return new CaseRecord(
          one.head(workshop.masker()),
          new CaseTiming(one.order(), lane, took.start(), took.micros(), waitedFor(one)),
          new CaseEnding(attempt.outcome(), marks, problem),
          earlier,
          trail(log),
          lane == 0 || problem != null && problem.source() != null ? null : source(one));
    });
  }

  /** The calls of what put something back. */
  List<ExchangeRecord> exchanges(CaseLog log) {
    List<ExchangeRecord> records = recorded(log, () -> {
      log.teach(recording);
      return log.exchanges(recording);
    });
    log.bodies().free();
    return records;
  }

  /** One call that put something back. */
  ExchangeRecord exchange(Exchange exchange) {
    recording.learn(exchange);
    return recording.record(exchange, List.of());
  }

  private CaseTrail trail(CaseLog log) {
    return new CaseTrail(
        log.exchanges(recording),
        log.queries(recording),
        workshop.masker().text(log.printing()),
        log.steps(recording),
        log.kept(recording),
        log.agreed().records());
  }

  private void tell(CaseLog log, Supplier<CaseRecord> recording) {
    CaseRecord entry = recorded(log, recording);
    if (entry.counts()) {
      synchronized (this) {
        counts.merge(entry.word(), 1, Integer::sum);
      }
    }
    workshop.broadcast().tell(new RunEvent.CaseFinished(entry));
    log.bodies().free();
  }

  /** With the code, where something went wrong in it. */
  private @Nullable ProblemRecord located(
      @Nullable ProblemRecord problem, Attempt attempt, CaseFacts one) {
    boolean broke = attempt.outcome() == Outcome.FAILED || attempt.outcome() == Outcome.ERRORED;
    if (problem == null || !broke) {
      return problem;
    }
    SourceRecord found = sources.around(one.suite(), one.position().toString(), problem.at());
    return found == null ? problem : problem.with(masked(found));
  }

  private @Nullable SourceRecord source(CaseFacts one) {
    SourceRecord found = sources.of(one.suite(), one.position().toString());
    return found == null ? null : masked(found);
  }

  private SourceRecord masked(SourceRecord source) {
    if (workshop.masker().knowsNone()) {
      return source;
    }
    return new SourceRecord(
        source.file(),
        source.first(),
        source.marked(),
        source.lines().stream().map(workshop.masker()::source).toList());
  }

  private List<String> waitedFor(CaseFacts one) {
    if (one.after().isEmpty()) {
      return List.of();
    }
    List<Planned> nodes = workshop.order().plan().nodes();
    return one.after().stream()
        .sorted()
        .map(order -> workshop.masker().id(nodes.get(order).name()))
        .toList();
  }

  private @Nullable ProblemRecord masked(@Nullable ProblemRecord problem) {
    return problem == null
        ? null
        : new ProblemRecord(
            problem.type(),
            workshop.masker().text(problem.message()),
            problem.at(),
            workshop.masker().text(problem.stack()));
  }

  /**
   * A span of time.
   *
   * @param start when it began
   * @param micros how long it was
   */
  record Took(Instant start, long micros) {

    /** To the microsecond, as journals tell it. */
    static Took since(Instant start, long nanos) {
      return new Took(start.truncatedTo(ChronoUnit.MICROS), (System.nanoTime() - nanos) / 1_000);
    }
  }

  /** The making of one supply, from its beginning to its record. */
  final class Supplying {
    private final SupplyDefinition supply;
    private final Work work;
    private final int order;
    private final String whose;

    private Supplying(SupplyDefinition supply, Work work, int order, String whose) {
      this.supply = supply;
      this.work = work;
      this.order = order;
      this.whose = whose;
    }

    /** Makes it; a supply that fails is errored. */
    Attempt done(Lane lane, Callable<@Nullable Object> body) {
      Instant start = workshop.clock().instant();
      long nanos = System.nanoTime();
      Duration limit = supply.timeLimit();
      Attempt made = errored(work.done(lane, limit, body));
      if (made.outcome() != Outcome.INTERRUPTED) {
        Took took = Took.since(start, nanos);
        tell(work.log(), () -> record(made, lane.number(), took));
      }
      return made;
    }

    private Attempt errored(Attempt made) {
      return switch (made.outcome()) {
        case PASSED ->
          made.value() == null
              ? Attempt.errored("it returned null, so there is nothing to supply")
              : made;
        case INTERRUPTED -> made;
        default -> new Attempt(Outcome.ERRORED, null, made.problem());
      };
    }

    private CaseRecord record(Attempt made, int lane, Took took) {
      CaseLog log = work.log();
      log.teach(recording);
      return new CaseRecord(
          new CaseHead(
              RecordKind.SUPPLY,
              supply.id().toString(),
              SuiteName.of(supply.suite()),
              supply.title(),
              supply.position().toString(),
              workshop.masker().id(whose),
              ""),
          new CaseTiming(order, lane, took.start(), took.micros(), List.of()),
          new CaseEnding(made.outcome(), List.of(), masked(made.problem())),
          List.of(),
          trail(log),
          null);
    }
  }
}
