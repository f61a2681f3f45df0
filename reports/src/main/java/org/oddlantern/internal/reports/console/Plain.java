package org.oddlantern.internal.reports.console;

/** Makes text from outside harmless for a terminal. */
final class Plain {

  private Plain() {}

  /** The text with control characters told by their code; line breaks stay. */
  static String text(String text) {
    StringBuilder plain = null;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      boolean harmful = Character.isISOControl(c) && c != '\n' && c != '\t' || isDirectionMark(c);
      if (harmful && plain == null) {
        plain = new StringBuilder(text.substring(0, i));
      }
      if (plain != null) {
        plain.append(harmful ? String.format("\\u%04x", (int) c) : String.valueOf(c));
      }
    }
    return plain == null ? text : plain.toString();
  }

  /** The text on one line. */
  static String line(String text) {
    return text(text.replace("\r\n", "\n")).replace("\n", "\\n");
  }

  /** The text with everything but ASCII told by its code. */
  static String ascii(String text) {
    StringBuilder ascii = new StringBuilder(text.length());
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      ascii.append(c < 128 ? String.valueOf(c) : String.format("\\u%04x", (int) c));
    }
    return ascii.toString();
  }

  private static boolean isDirectionMark(char c) {
    return c >= '\u202a' && c <= '\u202e' || c >= '\u2066' && c <= '\u2069';
  }
}
