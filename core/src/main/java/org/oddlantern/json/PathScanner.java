package org.oddlantern.json;

/** Reads the characters of a path one after the other and knows where it is, for messages. */
final class PathScanner {

  private final String text;
  private int at;

  PathScanner(String text) {
    this.text = text;
  }

  /** Whether a name can stand after a dot (RFC 9535, member-name-shorthand). */
  static boolean isShorthandName(String name) {
    return !name.isEmpty()
        && isNameFirst(name.codePointAt(0))
        && name.codePoints().allMatch(PathScanner::isNameChar);
  }

  boolean atEnd() {
    return at >= text.length();
  }

  char peek() {
    return atEnd() ? '\0' : text.charAt(at);
  }

  boolean take(String token) {
    boolean there = text.startsWith(token, at);
    if (there) {
      at += token.length();
    }
    return there;
  }

  void want(String token, String inWords) {
    if (!take(token)) {
      throw error(inWords);
    }
  }

  void skipBlanks() {
    while (!atEnd() && " \t\n\r".indexOf(peek()) >= 0) {
      at++;
    }
  }

  String shorthandName() {
    int start = at;
    while (!atEnd() && (at == start ? isNameFirst(point()) : isNameChar(point()))) {
      at += Character.charCount(point());
    }
    if (at == start) {
      throw error("a name, '*' or '['");
    }
    return text.substring(start, at);
  }

  int integer() {
    int start = at;
    take("-");
    while (Character.digit(peek(), 10) >= 0 && peek() < 128) {
      at++;
    }
    String digits = text.substring(start, at);
    if (!digits.matches("0|-?[1-9][0-9]*")) {
      at = start;
      throw error("a whole number without leading zeros");
    }
    try {
      return Math.toIntExact(Long.parseLong(digits));
    } catch (ArithmeticException | NumberFormatException e) {
      at = start;
      throw error("an index that a list can have");
    }
  }

  /** A quoted name (RFC 9535, string-literal); the scanner stands on its opening quote. */
  String quoted() {
    char quote = peek();
    at++;
    StringBuilder value = new StringBuilder();
    while (peek() != quote || atEnd()) {
      if (atEnd()) {
        throw error("a closing " + quote);
      }
      char next = text.charAt(at++);
      if (next < 0x20) {
        at--;
        throw error("an escape instead of a control character");
      }
      value.append(next == '\\' ? escape(quote) : next);
    }
    at++;
    return wellFormed(value.toString());
  }

  private String wellFormed(String name) {
    if (name.codePoints()
        .anyMatch(point -> point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE)) {
      throw error("surrogates in pairs");
    }
    return name;
  }

  private char escape(char quote) {
    char escape = peek();
    at++;
    if (escape == quote) {
      return quote;
    }
    return switch (escape) {
      case 'b' -> '\b';
      case 'f' -> '\f';
      case 'n' -> '\n';
      case 'r' -> '\r';
      case 't' -> '\t';
      case '/' -> '/';
      case '\\' -> '\\';
      case 'u' -> hexadecimal();
      default -> {
        at--;
        throw error("one of the escapes b f n r t / \\ u and the quote");
      }
    };
  }

  private char hexadecimal() {
    String digits = text.substring(at, Math.min(at + 4, text.length()));
    if (!digits.matches("[0-9A-Fa-f]{4}")) {
      throw error("four hexadecimal digits");
    }
    at += 4;
    return (char) Integer.parseInt(digits, 16);
  }

  BadPath error(String wanted) {
    return new BadPath(text, Math.min(at, text.length()), wanted);
  }

  private int point() {
    return text.codePointAt(at);
  }

  private static boolean isNameFirst(int point) {
    return point >= 'a' && point <= 'z'
        || point >= 'A' && point <= 'Z'
        || point == '_'
        || isBeyondAscii(point);
  }

  private static boolean isNameChar(int point) {
    return isNameFirst(point) || point >= '0' && point <= '9';
  }

  private static boolean isBeyondAscii(int point) {
    return point >= 0x80 && !(point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE);
  }
}
