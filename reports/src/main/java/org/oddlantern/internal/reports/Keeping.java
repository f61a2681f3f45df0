package org.oddlantern.internal.reports;

import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;

/** What became of a promise; the later ones weigh more where several cases keep it together. */
public enum Keeping {
  /** Every case of it passed, and checked something. */
  KEPT("kept"),
  /** There is no case for it yet. */
  PENDING("pending"),
  /** It is known not to hold. */
  KNOWN_FAULT("known fault"),
  /** Nobody knows: its case did not run to its end, was not selected, or checked nothing. */
  NOT_TRIED("not tried"),
  /** A case of it failed. */
  BROKEN("broken");

  private final String word;

  Keeping(String word) {
    this.word = word;
  }

  /**
   * What the promise of a single case comes to.
   *
   * @param one how the case went
   * @return the same for the promise
   */
  public static Keeping of(CaseRecord one) {
    if (one.outcome() == Outcome.PASSED) {
      return one.marks().contains(Mark.UNPROVEN) ? NOT_TRIED : KEPT;
    }
    return switch (one.outcome()) {
      case FAILED -> BROKEN;
      case KNOWN_FAULT -> KNOWN_FAULT;
      case PENDING -> PENDING;
      default -> NOT_TRIED;
    };
  }

  /** The word for it. */
  public String word() {
    return word;
  }

  Keeping and(Keeping other) {
    return compareTo(other) >= 0 ? this : other;
  }
}
