package org.oddlantern.internal.record;

import java.util.Collection;
import java.util.Locale;

/** How a case ended. */
public enum Outcome {
  /** Every check held. */
  PASSED,
  /** A check did not hold, or a reading found nothing. */
  FAILED,
  /** Something went wrong that is no answer of the service: no reply, an exception. */
  ERRORED,
  /** It did not run, since a case whose value it takes did not pass. */
  BLOCKED,
  /** It was running, or had not run yet, when the run was stopped. */
  INTERRUPTED,
  /** It was not to run now, or takes what a case makes that did not run. */
  SKIPPED,
  /** It is still to be written. */
  PENDING,
  /** It failed, as the service is known to. */
  KNOWN_FAULT;

  /**
   * Whether the build may be green with it.
   *
   * @return false if something is wrong that nobody expected
   */
  public boolean isGreen() {
    return this == PASSED || this == SKIPPED || this == PENDING || this == KNOWN_FAULT;
  }

  /**
   * Whether a case has passed: one that checked nothing has proved nothing.
   *
   * @param marks what else there is to say of it
   * @return false if it ended in another way, or is unproven
   */
  public boolean hasPassed(Collection<Mark> marks) {
    return this == PASSED && !marks.contains(Mark.UNPROVEN);
  }

  /** It in a sentence about a case: {@code failed}, {@code is skipped}. */
  public String told() {
    return this == SKIPPED || this == PENDING || this == KNOWN_FAULT ? "is " + article() : word();
  }

  private String article() {
    return this == KNOWN_FAULT ? "a known fault" : word();
  }

  /**
   * The word for it.
   *
   * @return {@code passed}, ...
   */
  public String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }
}
