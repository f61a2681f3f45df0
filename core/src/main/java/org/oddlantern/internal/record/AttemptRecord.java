package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One try of a case before its last, as recorded: secrets masked.
 *
 * @param outcome how it ended
 * @param startedAt when it began
 * @param tookMicros microseconds it took
 * @param exchanges its calls in order
 * @param queries its looks into databases in order
 * @param problem what ended it
 * @param printed what it printed; may be empty
 */
public record AttemptRecord(
    Outcome outcome,
    Instant startedAt,
    long tookMicros,
    List<ExchangeRecord> exchanges,
    List<LookRecord> queries,
    @Nullable ProblemRecord problem,
    String printed) {

  /** Keeps its own lists. */
  public AttemptRecord {
    exchanges = List.copyOf(exchanges);
    queries = List.copyOf(queries);
  }

  /** This record with other exchanges. */
  public AttemptRecord withExchanges(List<ExchangeRecord> others) {
    return new AttemptRecord(outcome, startedAt, tookMicros, others, queries, problem, printed);
  }
}
