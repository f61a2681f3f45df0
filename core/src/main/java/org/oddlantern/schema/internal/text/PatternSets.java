package org.oddlantern.schema.internal.text;

import org.jspecify.annotations.Nullable;

/** The sets of characters that ECMA-262 has letters for (section 22.2.2.9). */
final class PatternSets {

  private static final String SPACE =
      "\\t\\n\\x0B\\f\\r \\u00A0\\u1680\\u2000-\\u200A\\u2028\\u2029\\u202F\\u205F\\u3000\\uFEFF";

  private PatternSets() {}

  /** The members of a set as they stand in brackets; null if the letter names none. */
  static @Nullable String of(char letter) {
    return switch (letter) {
      case 'd' -> "0-9";
      case 'D' -> "^0-9";
      case 'w' -> "A-Za-z0-9_";
      case 'W' -> "^A-Za-z0-9_";
      case 's' -> SPACE;
      case 'S' -> "^" + SPACE;
      default -> null;
    };
  }
}
