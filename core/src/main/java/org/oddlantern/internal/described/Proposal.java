package org.oddlantern.internal.described;

/**
 * Lines that would make a description say what was seen.
 *
 * @param place where they belong: a file, and a JSON Pointer in it
 * @param lines the lines, in the writing of the description; empty if there are none
 */
public record Proposal(String place, String lines) {

  /** Nothing to propose: it is not the description that looks wrong. */
  public static final Proposal NONE = new Proposal("", "");

  /** Whether there is one. */
  public boolean isThere() {
    return !lines.isEmpty();
  }
}
