package org.oddlantern.internal.record;

import java.util.List;

/**
 * What a case asked, printed and kept.
 *
 * @param exchanges its calls in order
 * @param queries its looks into databases in order
 * @param printed what it printed; may be empty
 * @param steps its parts in words
 * @param kept what it wanted kept with its results
 * @param agreed its replies that were held against what was agreed on
 */
public record CaseTrail(
    List<ExchangeRecord> exchanges,
    List<LookRecord> queries,
    String printed,
    List<StepRecord> steps,
    List<KeptRecord> kept,
    List<AgreedRecord> agreed) {

  /** Nothing at all. */
  public static final CaseTrail NONE =
      new CaseTrail(List.of(), List.of(), "", List.of(), List.of(), List.of());

  /** Keeps its own lists. */
  public CaseTrail {
    exchanges = List.copyOf(exchanges);
    queries = List.copyOf(queries);
    steps = List.copyOf(steps);
    kept = List.copyOf(kept);
    agreed = List.copyOf(agreed);
  }
}
