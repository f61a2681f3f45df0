package org.oddlantern.json.internal.path;

import java.util.List;
import java.util.function.IntPredicate;

/** A regular expression, or a part of one. */
sealed interface Expression {

  /** One character of a kind. */
  record One(IntPredicate character) implements Expression {}

  /**
   * The beginning or the end of the text. RFC 9485 reads {@code ^} and {@code $} as characters, but the
   * expressions it maps to (section 5) and the compliance suite of RFC 9535 read them as places.
   */
  record Edge(boolean start) implements Expression {}

  /** One part after the other. */
  record Sequence(List<Expression> parts) implements Expression {}

  /** One of several branches. */
  record Choice(List<Expression> branches) implements Expression {}

  /** A part several times; {@code most} below 0 is without end. */
  record Repeated(Expression part, int least, int most) implements Expression {}
}
