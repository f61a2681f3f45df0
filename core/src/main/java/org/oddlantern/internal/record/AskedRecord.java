package org.oddlantern.internal.record;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;

/** Something a case asked, as recorded: a call or a look into a database. */
public sealed interface AskedRecord permits ExchangeRecord, LookRecord {

  /**
   * What was asked, in one line.
   *
   * @return the line
   */
  String line();

  /**
   * How long it took.
   *
   * @return microseconds
   */
  long tookMicros();

  /**
   * Why there is no answer.
   *
   * @return a sentence, or null if there is one
   */
  @Nullable
  String fault();

  /**
   * The checks made on the answer.
   *
   * @return the verdicts in order
   */
  List<Verdict> verdicts();

  /**
   * Whether a check on the answer does not hold, or no answer came.
   *
   * @return true if something is wrong with it
   */
  default boolean isTroubled() {
    return isTroubled(fault(), verdicts());
  }

  /** The same of one that is yet to be recorded. */
  static boolean isTroubled(@Nullable String fault, List<Verdict> verdicts) {
    if (fault != null) {
      return true;
    }
    for (Verdict verdict : verdicts) { // asked of every call of a run by every report
      if (!verdict.holds()) {
        return true;
      }
    }
    return false;
  }
}
