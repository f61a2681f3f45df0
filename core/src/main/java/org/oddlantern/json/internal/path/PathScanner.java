package org.oddlantern.json.internal.path;

import org.oddlantern.json.BadPath;

/** Reads the characters of a path one after the other and knows where it is, for messages. */
public final class PathScanner {

  /** The largest whole number that I-JSON exchanges without loss (RFC 7493, section 2.2). */
  private static final long LARGEST = (1L << 53) - 1;

  private final String text;
  private int at;

  PathScanner(String text) {
    this.text = text;
  }

  /** Whether a name can stand after a dot (RFC 9535, member-name-shorthand). */
  public static boolean isShorthandName(String name) {
    int point = 0;
    for (int i = 0; i < name.length(); i += Character.charCount(point)) {
      point = name.codePointAt(i);
      if (i == 0 ? !isNameFirst(point) : !isNameChar(point)) {
        return false;
      }
    }
    return !name.isEmpty();
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

  int at() {
    return at;
  }

  void backTo(int earlier) {
    at = earlier;
  }

  String since(int start) {
    return text.substring(start, at);
  }

  boolean isQuote() {
    return peek() == '\'' || peek() == '"';
  }

  boolean isInteger() {
    return peek() == '-' || isDigit(peek());
  }

  long integer() {
    int start = at;
    take("-");
    String digits = digits();
    boolean zeros = digits.length() > 1 && digits.startsWith("0");
    if (digits.isEmpty() || zeros || digits.equals("0") && at - start > 1) {
      at = start;
      throw error("a whole number without leading zeros");
    }
    if (digits.length() > 16 || Long.parseLong(digits) > LARGEST) {
      at = start;
      throw error("a number between -(2^53)+1 and (2^53)-1");
    }
    return Long.parseLong(text.substring(start, at));
  }

  /** A number as JSON writes it (RFC 9535, number). */
  String number() {
    int start = at;
    take("-");
    String digits = digits();
    if (digits.isEmpty() || digits.length() > 1 && digits.startsWith("0")) {
      at = start;
      throw error("a number without leading zeros");
    }
    if (take(".") && digits().isEmpty()) {
      throw error("a digit");
    }
    if (take("e") || take("E")) {
      if (!take("-")) {
        take("+");
      }
      String exponent = digits();
      if (exponent.isEmpty() || exponent.length() > 5) {
        throw error("an exponent of at most five digits");
      }
    }
    return text.substring(start, at);
  }

  /** The name of a function, true, false or null. */
  String functionName() {
    int start = at;
    while (peek() >= 'a' && peek() <= 'z' || at > start && (peek() == '_' || isDigit(peek()))) {
      at++;
    }
    return text.substring(start, at);
  }

  private String digits() {
    int start = at;
    while (isDigit(peek())) {
      at++;
    }
    return text.substring(start, at);
  }

  private static boolean isDigit(char c) {
    return c >= '0' && c <= '9';
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
