package org.oddlantern.internal.record;

import java.util.List;

/**
 * What a case that passed would notice: it was done again with answers that were changed.
 *
 * @param id the case
 * @param reason why it could not be done again, in words that go on from the name of the case; empty if it was
 * @param tookMicros microseconds that all of it took
 * @param againMicros microseconds of them for doing it again unchanged
 * @param tried how many changes were tried
 * @param untried how many were not, since there are so many or time was over
 * @param answers what it was given
 */
public record ExaminedRecord(
    String id,
    String reason,
    long tookMicros,
    long againMicros,
    int tried,
    int untried,
    List<ExaminedAnswer> answers) {

  /** Keeps its own list. */
  public ExaminedRecord {
    answers = List.copyOf(answers);
  }

  /** A case that could not be done again. */
  public static ExaminedRecord not(String id, String reason, long tookMicros) {
    return new ExaminedRecord(id, reason, tookMicros, 0, 0, 0, List.of());
  }

  /** Whether it was done again. */
  public boolean isExamined() {
    return reason.isEmpty();
  }
}
