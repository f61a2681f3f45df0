package org.oddlantern.internal.record;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How a case ended.
 *
 * @param outcome its outcome
 * @param marks what else there is to say of it
 * @param problem what ended it or kept it from running; null if it passed
 */
public record CaseEnding(
    Outcome outcome, List<Mark> marks, @Nullable ProblemRecord problem) {

  /** Keeps its own list. */
  public CaseEnding {
    marks = List.copyOf(marks);
  }

  CaseEnding told(@Nullable ProblemRecord other) {
    return new CaseEnding(outcome, marks, other);
  }
}
