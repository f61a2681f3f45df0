package org.oddlantern.schema.internal.text;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Writes a pattern of ECMA-262 (section 22.2, by code points) as one of {@link Pattern} that means the
 * same. Two liberties are taken, as that standard's annex B and most schemas do: punctuation may be
 * escaped without need, and a brace or closing bracket that closes nothing stands for itself.
 */
final class PatternTranslator {

  private static final Pattern NAMED = Pattern.compile("\\(\\?<([\\p{L}_$][\\p{L}\\p{N}_$]*)>");
  private static final Pattern COUNT = Pattern.compile("\\{(\\d+)(?:,(\\d*))?}");
  private static final String WORD = "[A-Za-z0-9_]";

  private final String source;
  private final StringBuilder out = new StringBuilder();
  private final Map<String, Integer> names = new LinkedHashMap<>();
  private final Set<Integer> closed = new HashSet<>();
  private final Deque<Group> open = new ArrayDeque<>();
  private final int groups;
  private int at;
  private int opened;

  PatternTranslator(String source) {
    this.source = source;
    this.groups = countGroups();
  }

  /** Groups are counted first, since references may stand before them. */
  private int countGroups() {
    int count = 0;
    boolean inClass = false;
    for (int i = 0; i < source.length(); i++) {
      char c = source.charAt(i);
      if (c == '\\') {
        i++;
      } else if (c == '[') {
        inClass = true;
      } else if (c == ']') {
        inClass = false;
      } else if (c == '(' && !inClass) {
        Matcher named = NAMED.matcher(source).region(i, source.length());
        if (named.lookingAt()) {
          names.put(named.group(1), ++count);
        } else if (!source.startsWith("(?", i)) {
          count++;
        }
      }
    }
    return count;
  }

  String translate() throws BadPattern {
    boolean repeatable = false;
    while (at < source.length()) {
      char c = source.charAt(at);
      if (c == '*' || c == '+' || c == '?' || c == '{' && isCount()) {
        quantifier(repeatable);
        repeatable = false;
      } else {
        repeatable = atom(c);
      }
    }
    if (!open.isEmpty()) {
      throw bad(open.peek().at, "a group is not closed");
    }
    return out.toString();
  }

  /** Writes one part and tells whether it may be repeated. */
  private boolean atom(char c) throws BadPattern {
    switch (c) {
      case '(' -> {
        return open();
      }
      case ')' -> {
        return close();
      }
      case '[' -> out.append(new PatternClass(this).translate());
      case '|' -> {
        take("|");
        return false;
      }
      case '^' -> {
        take("^");
        return false;
      }
      case '$' -> {
        take("\\z");
        return false;
      }
      case '.' -> take("[^\\n\\r\\u2028\\u2029]");
      case '\\' -> {
        return escape();
      }
      default -> literal(next());
    }
    return true;
  }

  private void take(String translated) {
    at++;
    out.append(translated);
  }

  private boolean isCount() {
    return COUNT.matcher(source).region(at, source.length()).lookingAt();
  }

  private void quantifier(boolean repeatable) throws BadPattern {
    if (!repeatable) {
      throw bad(at, "there is nothing to repeat");
    }
    if (source.charAt(at) == '{') {
      count();
    } else {
      out.append(source.charAt(at++));
    }
    if (at < source.length() && source.charAt(at) == '?') {
      out.append(source.charAt(at++));
    }
  }

  private void count() throws BadPattern {
    Matcher count = COUNT.matcher(source).region(at, source.length());
    if (!count.lookingAt()) {
      throw bad(at, "a count is broken");
    }
    String low = count.group(1);
    String high = count.group(2);
    if (low.length() > 9 || high != null && high.length() > 9) {
      throw bad(at, "a count is too large");
    }
    if (high != null && !high.isEmpty() && Integer.parseInt(high) < Integer.parseInt(low)) {
      throw bad(at, "a count goes from more to less");
    }
    out.append(count.group());
    at = count.end();
  }

  private boolean open() throws BadPattern {
    int start = at;
    Matcher named = NAMED.matcher(source).region(at, source.length());
    if (named.lookingAt()) {
      openCapturing(start, named.end());
      return false;
    }
    for (String kind : new String[] {"(?:", "(?=", "(?!", "(?<=", "(?<!"}) {
      if (source.startsWith(kind, at)) {
        out.append(kind);
        at += kind.length();
        open.push(new Group(start, 0));
        return false;
      }
    }
    if (source.startsWith("(?", at)) {
      throw bad(at, "a group of an unknown kind begins");
    }
    openCapturing(start, at + 1);
    return false;
  }

  private void openCapturing(int start, int next) {
    opened++;
    out.append("(?<g").append(opened).append('>');
    open.push(new Group(start, opened));
    at = next;
  }

  /** Each group ends with an empty one, which tells later whether it took part in the match. */
  private boolean close() throws BadPattern {
    if (open.isEmpty()) {
      throw bad(at, "a group is closed that was not opened");
    }
    Group group = open.pop();
    if (group.number > 0) {
      closed.add(group.number);
      out.append("(?<m").append(group.number).append(">)");
    }
    take(")");
    return true;
  }

  private boolean escape() throws BadPattern {
    int start = at;
    if (at + 1 >= source.length()) {
      throw bad(at, "a backslash at the end escapes nothing");
    }
    char c = source.charAt(at + 1);
    String set = PatternSets.of(c);
    if (set != null) {
      at += 2;
      out.append('[').append(set).append(']');
      return true;
    }
    switch (c) {
      case 'b' -> boundary("(?:(?<=W)(?!W)|(?<!W)(?=W))");
      case 'B' -> boundary("(?:(?<=W)(?=W)|(?<!W)(?!W))");
      case 'p', 'P' -> out.append(property());
      case 'k' -> {
        namedReference(start);
        return true;
      }
      default -> {
        if (c >= '1' && c <= '9') {
          reference(start);
        } else {
          literal(escapedPoint());
        }
      }
    }
    return c != 'b' && c != 'B';
  }

  private void boundary(String translated) {
    at += 2;
    out.append(translated.replace("W", WORD));
  }

  private void namedReference(int start) throws BadPattern {
    int end = source.indexOf('>', at);
    boolean written = source.startsWith("\\k<", at) && end > 0;
    Integer number = written ? names.get(source.substring(at + 3, end)) : null;
    if (number == null) {
      throw bad(start, "a reference names no group");
    }
    at = end + 1;
    refer(number);
  }

  private void reference(int start) throws BadPattern {
    int end = at + 1;
    while (end < source.length() && Character.isDigit(source.charAt(end))) {
      end++;
    }
    String digits = source.substring(at + 1, end);
    int number = digits.length() > 4 ? Integer.MAX_VALUE : Integer.parseInt(digits);
    if (number > groups) {
      throw bad(start, "there is no group " + digits);
    }
    at = end;
    refer(number);
  }

  /** A group that took no part in the match is matched by nothing at all. */
  private void refer(int number) {
    out.append(
        closed.contains(number)
            ? String.format(Locale.ROOT, "(?:\\k<g%d>|(?!\\k<m%d>))", number, number)
            : "(?:)");
  }

  /** A set of characters by a property of Unicode, written for {@link Pattern}. */
  String property() throws BadPattern {
    int start = at;
    int end = source.indexOf('}', at);
    boolean written = source.startsWith("{", at + 2) && end > 0;
    String name = written ? source.substring(at + 3, end) : "";
    String property = UnicodeProperties.of(name);
    if (property == null) {
      throw bad(start, "there is no property of Unicode called '" + name + "'");
    }
    boolean not = source.charAt(at + 1) == 'P';
    at = end + 1;
    return (not ? "\\P{" : "\\p{") + property + "}";
  }

  /** The character that an escape stands for. */
  int escapedPoint() throws BadPattern {
    int start = at++;
    int c = next();
    return switch (c) {
      case 't' -> '\t';
      case 'n' -> '\n';
      case 'v' -> 0x0B;
      case 'f' -> '\f';
      case 'r' -> '\r';
      case '0' -> zero(start);
      case 'c' -> control(start);
      case 'x' -> hexadecimal(start, 2);
      case 'u' -> unicode(start);
      default -> {
        if (Character.isLetterOrDigit(c) || c == '_') {
          throw bad(start, "\\" + Character.toString(c) + " means nothing in ECMA-262");
        }
        yield c;
      }
    };
  }

  private int zero(int start) throws BadPattern {
    if (at < source.length() && Character.isDigit(source.charAt(at))) {
      throw bad(start, "an octal number means nothing in ECMA-262");
    }
    return 0;
  }

  private int control(int start) throws BadPattern {
    int letter = at < source.length() ? source.charAt(at) : 0;
    if ((letter < 'a' || letter > 'z') && (letter < 'A' || letter > 'Z')) {
      throw bad(start, "\\c needs a letter");
    }
    at++;
    return letter % 32;
  }

  private int unicode(int start) throws BadPattern {
    if (at < source.length() && source.charAt(at) == '{') {
      int end = source.indexOf('}', at);
      int length = end - at - 1;
      if (end < 0 || length < 1 || length > 6) {
        throw bad(start, "a number of a character is broken");
      }
      at++;
      int point = hexadecimal(start, length);
      at++;
      if (point > Character.MAX_CODE_POINT) {
        throw bad(start, "there is no such character");
      }
      return point;
    }
    int first = hexadecimal(start, 4);
    if (Character.isHighSurrogate((char) first) && source.startsWith("\\u", at)) {
      int back = at;
      at += 2;
      int second = hexadecimal(start, 4);
      if (Character.isLowSurrogate((char) second)) {
        return Character.toCodePoint((char) first, (char) second);
      }
      at = back;
    }
    return first;
  }

  private int hexadecimal(int start, int digits) throws BadPattern {
    String text = at + digits <= source.length() ? source.substring(at, at + digits) : "";
    if (!text.matches("[0-9a-fA-F]+")) {
      throw bad(start, "a number of a character is broken");
    }
    at += digits;
    return Integer.parseInt(text, 16);
  }

  private void literal(int point) {
    out.append(written(point));
  }

  /** A character so that it means nothing special to {@link Pattern}. */
  static String written(int point) {
    boolean plain = point < 0x80 && Character.isLetterOrDigit(point);
    return plain ? Character.toString(point) : "\\x{" + Integer.toHexString(point) + "}";
  }

  String source() {
    return source;
  }

  boolean isAtEnd() {
    return at >= source.length();
  }

  char peek(int ahead) {
    return at + ahead < source.length() ? source.charAt(at + ahead) : 0;
  }

  void skip(int count) {
    at += count;
  }

  int place() {
    return at;
  }

  int next() {
    int point = source.codePointAt(at);
    at += Character.charCount(point);
    return point;
  }

  BadPattern bad(int place, String reason) {
    return new BadPattern(source, place, reason);
  }

  /** A group that is open; number 0 if it captures nothing. */
  private record Group(int at, int number) {}
}
