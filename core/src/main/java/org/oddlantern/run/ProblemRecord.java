package org.oddlantern.run;

/**
 * What ended a case that did not pass.
 *
 * @param type the simple name of what was thrown; empty for a blocked case
 * @param message its message, or the cause of blocking; complete in itself
 * @param at the line of the suite where it happened, as {@code File.java:12}; empty if unknown
 * @param stack the stack trace; empty where the message says it all
 */
public record ProblemRecord(String type, String message, String at, String stack) {

  /** What is absent in a journal is empty here. */
  public ProblemRecord {
    type = type == null ? "" : type;
    message = message == null ? "" : message;
    at = at == null ? "" : at;
    stack = stack == null ? "" : stack;
  }
}
