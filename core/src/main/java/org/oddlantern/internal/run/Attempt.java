package org.oddlantern.internal.run;

import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;

/**
 * What came of one run of a case's method.
 *
 * @param outcome how it ended
 * @param value what it returned; null if nothing, or if it did not pass
 * @param problem what ended it; null if it passed
 */
record Attempt(
    Outcome outcome, @Nullable Object value, @Nullable ProblemRecord problem) {

  static Attempt passed(@Nullable Object value) {
    return new Attempt(Outcome.PASSED, value, null);
  }

  static Attempt failed(String message, String at) {
    return new Attempt(Outcome.FAILED, null, new ProblemRecord("", message, at, ""));
  }

  static Attempt errored(String message) {
    return new Attempt(Outcome.ERRORED, null, new ProblemRecord("", message, "", ""));
  }

  static Attempt skipped(String why) {
    return new Attempt(Outcome.SKIPPED, null, new ProblemRecord("", why, "", ""));
  }

  static Attempt pending() {
    return new Attempt(
        Outcome.PENDING, null, new ProblemRecord("", "it is still to be written", "", ""));
  }

  /** This failure, which is a known one. */
  Attempt known() {
    return new Attempt(Outcome.KNOWN_FAULT, null, problem);
  }

  static Attempt interrupted(String message) {
    return new Attempt(Outcome.INTERRUPTED, null, new ProblemRecord("", message, "", ""));
  }

  /** This outcome with what may have led to it; an empty text adds nothing. */
  Attempt explained(String more) {
    return problem == null || more.isEmpty()
        ? this
        : new Attempt(
            outcome,
            value,
            new ProblemRecord(
                problem.type(), problem.message() + "; " + more, problem.at(), problem.stack()));
  }

  /** This outcome without the value, which nobody will use any more. */
  Attempt ended() {
    return new Attempt(outcome, null, problem);
  }

  static Attempt blocked(String message) {
    return new Attempt(Outcome.BLOCKED, null, new ProblemRecord("", message, "", ""));
  }
}
