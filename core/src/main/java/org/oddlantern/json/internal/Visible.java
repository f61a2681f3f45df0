package org.oddlantern.json.internal;

import java.text.Normalizer;
import java.util.Locale;

/** Makes visible in JSON text what no eye can see: it is written as an escape, as JSON allows. */
final class Visible {

  private Visible() {}

  /** The text with invisible characters escaped; nothing else changes. */
  static String of(String json) {
    for (int i = 0; i < json.length(); i++) {
      if (json.charAt(i) >= 0x7f) {
        return escaped(json);
      }
    }
    return json;
  }

  /** A character by number and name: {@code U+00A0 NO-BREAK SPACE}. */
  static String named(int point) {
    String name = Character.getName(point);
    return String.format(Locale.ROOT, "U+%04X", point) + (name == null ? "" : " " + name);
  }

  /** A character as one sees it, or as an escape, by number and name. */
  static String shown(int point) {
    return isInvisible(point) || isMark(point) || point <= ' '
        ? named(point)
        : "'" + Character.toString(point) + "' (" + named(point) + ")";
  }

  static boolean isInvisible(int point) {
    return switch (Character.getType(point)) {
      case Character.CONTROL,
          Character.FORMAT,
          Character.LINE_SEPARATOR,
          Character.PARAGRAPH_SEPARATOR,
          Character.PRIVATE_USE,
          Character.SURROGATE,
          Character.UNASSIGNED -> true;
      case Character.SPACE_SEPARATOR -> point != ' ';
      default -> false;
    };
  }

  private static boolean isMark(int point) {
    return Character.getType(point) == Character.NON_SPACING_MARK;
  }

  /** Marks are shown as they are, unless they stand beside a letter that could have carried them. */
  private static String escaped(String json) {
    boolean composed = Normalizer.isNormalized(json, Normalizer.Form.NFC);
    StringBuilder text = new StringBuilder();
    json.codePoints().forEach(point -> {
      if (point >= 0x7f && (isInvisible(point) || !composed && isMark(point))) {
        for (char c : Character.toChars(point)) {
          text.append(String.format(Locale.ROOT, "\\u%04x", (int) c));
        }
      } else {
        text.appendCodePoint(point);
      }
    });
    return text.toString();
  }
}
