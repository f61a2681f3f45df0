package org.oddlantern.schema.internal.text;

import java.util.regex.Pattern;

/** Formats of texts that machines write. */
public final class Codes {

  private static final Pattern RELATIVE =
      Pattern.compile("(0|[1-9][0-9]*)(#|(/([^/~]|~[01])*)*)", Pattern.DOTALL);

  private static final int UUID_LENGTH = 36;

  private Codes() {}

  /** Whether a text is a UUID as RFC 4122 writes it. */
  public static boolean isUuid(String text) {
    if (text.length() != UUID_LENGTH) {
      return false;
    }
    for (int i = 0; i < UUID_LENGTH; i++) {
      char c = text.charAt(i);
      boolean hyphen = i == 8 || i == 13 || i == 18 || i == 23;
      boolean hexadecimal = c >= '0' && c <= '9' || c >= 'a' && c <= 'f' || c >= 'A' && c <= 'F';
      if (hyphen ? c != '-' : !hexadecimal) {
        return false;
      }
    }
    return true;
  }

  static boolean isPointer(String text) {
    if (!text.isEmpty() && text.charAt(0) != '/') {
      return false;
    }
    for (int i = text.indexOf('~'); i >= 0; i = text.indexOf('~', i + 1)) {
      if (i + 1 >= text.length() || text.charAt(i + 1) != '0' && text.charAt(i + 1) != '1') {
        return false;
      }
    }
    return true;
  }

  static boolean isRelative(String text) {
    int slash = text.indexOf('/');
    String start = slash < 0 ? text : text.substring(0, slash);
    return RELATIVE.matcher(start).matches()
        && (slash < 0 || !start.endsWith("#") && isPointer(text.substring(slash)));
  }

  static boolean isRegex(String text) {
    try {
      TextPattern.of(text);
      return true;
    } catch (BadPattern e) {
      return false;
    }
  }
}
