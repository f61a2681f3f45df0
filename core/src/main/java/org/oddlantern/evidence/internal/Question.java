package org.oddlantern.evidence.internal;

/**
 * Something that a case asks.
 *
 * @param <A> the type of the answer
 * @param type the type of the answer
 * @param kind what kind of question it is
 * @param text what sets it apart from other questions of its kind
 * @param family what it has in common with others that could be asked instead; empty if nothing
 * @param sent what is sent; its text where that is all there is to it
 */
public record Question<A>(Class<A> type, Kind kind, String text, String family, Object sent) {

  /** A question that is nothing but its text. */
  public static <A> Question<A> of(Class<A> type, Kind kind, String text) {
    return new Question<>(type, kind, text, "", text);
  }

  /** Kinds of questions. */
  public enum Kind {
    /** A call to a service. */
    CALL,
    /** A statement for a database. */
    STATEMENT,
    /** A look at something else. */
    LOOK,
    /** Something that is known to the run: a token, a port. */
    GIVEN
  }
}
