package org.oddlantern.internal.blind;

/** What became of a change. */
public enum Fate {
  /** The case failed, or warned. */
  NOTICED,
  /** The case passed, and asked something else later, or handed on something else to a case that takes it. */
  CARRIED_ON,
  /** Nothing. */
  UNNOTICED
}
