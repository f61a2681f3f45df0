package org.oddlantern.internal.record;

import org.jspecify.annotations.Nullable;

/**
 * What ended a case that did not pass.
 *
 * @param type the simple name of what was thrown; empty for a blocked case
 * @param message its message, or the cause of blocking; complete in itself
 * @param at the line of the suite where it happened, as {@code File.java:12}; empty if unknown
 * @param stack the stack trace; empty where the message says it all
 * @param source the code of the case, if it was found; null else
 */
public record ProblemRecord(
    String type,
    String message,
    String at,
    String stack,
    @Nullable SourceRecord source) {

  private static final int LONGEST = 500;

  /**
   * Without the code of the case.
   *
   * @param type the simple name of what was thrown
   * @param message its message
   * @param at the line where it happened
   * @param stack the stack trace
   */
  public ProblemRecord(String type, String message, String at, String stack) {
    this(type, message, at, stack, null);
  }

  /** The same without stack and code, a long message cut. */
  public ProblemRecord brief() {
    String cut = message.length() > LONGEST ? message.substring(0, LONGEST) + "..." : message;
    return new ProblemRecord(type, cut, at, "");
  }

  /** The same, with the code. */
  public ProblemRecord with(SourceRecord code) {
    return new ProblemRecord(type, message, at, stack, code);
  }
}
