package org.oddlantern.schema.internal.text;

import org.jspecify.annotations.Nullable;

/**
 * A set of ASCII characters, as bits.
 *
 * @param low those below 64
 * @param high the others
 */
record AsciiSet(long low, long high) {

  static final AsciiSet NONE = new AsciiSet(0, 0);
  static final AsciiSet DIGITS = between('0', '9');
  static final AsciiSet WORDS =
      DIGITS.and(between('A', 'Z')).and(between('a', 'z')).and(between('_', '_'));

  private static final int COUNT = 128;

  /** That character alone; null if it is none of ASCII. */
  static @Nullable AsciiSet of(char character) {
    return character < COUNT ? between(character, character) : null;
  }

  private static AsciiSet between(char first, char last) {
    long low = 0;
    long high = 0;
    for (int character = first; character <= last; character++) {
      low |= character < 64 ? 1L << character : 0;
      high |= character < 64 ? 0 : 1L << character;
    }
    return new AsciiSet(low, high);
  }

  boolean has(char character) {
    return character < COUNT && ((character < 64 ? low : high) >> character & 1) != 0;
  }

  AsciiSet and(AsciiSet other) {
    return new AsciiSet(low | other.low, high | other.high);
  }

  /** Whether they have a character in common. */
  boolean meets(AsciiSet other) {
    return (low & other.low) != 0 || (high & other.high) != 0;
  }

  /** From the only character of this one to the only one of another; null if that is no range. */
  @Nullable
  AsciiSet to(AsciiSet last) {
    boolean single = size() == 1 && last.size() == 1;
    return single && only() <= last.only() ? between(only(), last.only()) : null;
  }

  private int size() {
    return Long.bitCount(low) + Long.bitCount(high);
  }

  private char only() {
    return (char)
        (low == 0 ? 64 + Long.numberOfTrailingZeros(high) : Long.numberOfTrailingZeros(low));
  }
}
