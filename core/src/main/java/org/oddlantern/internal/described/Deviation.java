package org.oddlantern.internal.described;

import org.oddlantern.json.Finding;

/**
 * Something that an exchange did otherwise than its description says.
 *
 * @param subject what it is about: of the same subject it is told once
 * @param finding what was wanted, and what was there
 * @param proposal what would make the description say so
 */
public record Deviation(Subject subject, Finding finding, Proposal proposal) {

  /**
   * What a deviation is about.
   *
   * @param operation the operation in one line: {@code POST /hives}
   * @param rule what the description says
   * @param about which part of it: a status, a parameter, a place of a schema; may be empty
   */
  public record Subject(String operation, Rule rule, String about) {}

  /** What a description says of an exchange. */
  public enum Rule {
    /** Which operations there are. */
    OPERATION("operations"),
    /** Who may call. */
    CREDENTIALS("credentials"),
    /** Parameters that are sent. */
    PARAMETER("parameters"),
    /** The media type of what is sent. */
    SENT_TYPE("what may be sent"),
    /** The body that is sent. */
    SENT_BODY("bodies that are sent"),
    /** The status that comes. */
    STATUS("statuses"),
    /** The media type of what comes. */
    TYPE("content types"),
    /** A header that comes. */
    HEADER("headers"),
    /** The body that comes. */
    BODY("bodies");

    private final String words;

    Rule(String words) {
      this.words = words;
    }

    /** As it follows "what the description says of". */
    public String words() {
      return words;
    }
  }
}
