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
    List<QueryRecord> queries,
    @Nullable ProblemRecord problem,
    String printed) {

  /** What is absent in a journal is empty here. */
  public AttemptRecord {
    exchanges = exchanges == null ? List.of() : List.copyOf(exchanges);
    queries = queries == null ? List.of() : List.copyOf(queries);
    printed = printed == null ? "" : printed;
  }

  /** This record with other exchanges. */
  public AttemptRecord withExchanges(List<ExchangeRecord> others) {
    return new AttemptRecord(outcome, startedAt, tookMicros, others, queries, problem, printed);
  }
}
