package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.oddlantern.schema.internal.text.BadPattern;
import org.oddlantern.schema.internal.text.TextPattern;

/**
 * Makes texts that a pattern (ECMA-262) takes, by its own grammar. What it does not know, such as a look
 * ahead, it leaves out; whoever asks looks whether the text fits.
 */
final class PatternText {

  private static final String ANY =
      "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789-_ .";
  private static final String DIGITS = "0123456789";
  private static final String WORD =
      "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789_";
  private static final int MOST_OF_ENDLESS = 4;
  private static final int TRIES = 40;

  private final String pattern;
  private final Chance chance;
  private final int more;
  private int at;

  private PatternText(String pattern, Chance chance, int more) {
    this.pattern = pattern;
    this.chance = chance;
    this.more = more;
  }

  /**
   * A text that fits.
   *
   * @param pattern the pattern
   * @param least how many characters it has at least
   * @param most how many it has at most
   */
  static Optional<String> of(String pattern, int least, int most, Chance chance) {
    TextPattern judge;
    try {
      judge = TextPattern.of(pattern);
    } catch (BadPattern e) {
      return Optional.empty();
    }
    for (int i = 0; i < TRIES; i++) {
      int more = i < TRIES / 2 ? MOST_OF_ENDLESS : Math.max(least, MOST_OF_ENDLESS);
      try {
        String text = fitted(
            new PatternText(pattern, chance, more).alternatives(), pattern, least, most, chance);
        int length = text.codePointCount(0, text.length());
        if (length >= least && length <= most && judge.isIn(text)) {
          return Optional.of(text);
        }
      } catch (RuntimeException e) {
        return Optional.empty(); // a grammar that is not known here
      }
    }
    return Optional.empty();
  }

  /** Where an end is open, a text may be as long as it likes. */
  private static String fitted(String text, String pattern, int least, int most, Chance chance) {
    if (text.length() < least && !pattern.endsWith("$")) {
      return text + chance.text(least - text.length());
    }
    return text.length() > most && !pattern.endsWith("$") ? text.substring(0, most) : text;
  }

  private String alternatives() {
    List<String> all = new ArrayList<>();
    all.add(sequence());
    while (at < pattern.length() && pattern.charAt(at) == '|') {
      at++;
      all.add(sequence());
    }
    return chance.pick(all);
  }

  private String sequence() {
    StringBuilder text = new StringBuilder();
    while (at < pattern.length() && pattern.charAt(at) != '|' && pattern.charAt(at) != ')') {
      int begin = at;
      String one = atom();
      int end = at;
      int count = quantity();
      int after = at;
      for (int i = 0; i < count; i++) {
        text.append(one);
        if (i + 1 < count) {
          at = begin;
          one = atom();
          at = end;
        }
      }
      at = after;
    }
    return text.toString();
  }

  private String atom() {
    char c = pattern.charAt(at++);
    return switch (c) {
      case '^', '$' -> "";
      case '.' -> one(ANY);
      case '(' -> group();
      case '[' -> one(set());
      case '\\' -> escape();
      default -> String.valueOf(c);
    };
  }

  private String group() {
    boolean look = pattern.startsWith("?=", at)
        || pattern.startsWith("?!", at)
        || pattern.startsWith("?<=", at)
        || pattern.startsWith("?<!", at);
    if (pattern.startsWith("?:", at)) {
      at += 2;
    } else if (look) {
      at += pattern.charAt(at + 1) == '<' ? 3 : 2;
    } else if (pattern.startsWith("?<", at)) {
      at = pattern.indexOf('>', at) + 1;
    }
    String inside = alternatives();
    at++; // the closing bracket
    return look ? "" : inside;
  }

  private String escape() {
    char c = pattern.charAt(at++);
    return switch (c) {
      case 'd' -> one(DIGITS);
      case 'w' -> one(WORD);
      case 's' -> " ";
      case 'D', 'S' -> one("abcdefghijklmnopqrstuvwxyz");
      case 'W' -> one(" -.");
      case 'b', 'B' -> "";
      case 't' -> "\t";
      case 'n' -> "\n";
      case 'r' -> "\r";
      case 'p' -> property();
      case 'u', 'x' -> code(c == 'u' ? 4 : 2);
      default -> String.valueOf(c);
    };
  }

  private String code(int digits) {
    String hex = pattern.substring(at, at + digits);
    at += digits;
    return String.valueOf((char) Integer.parseInt(hex, 16));
  }

  private String property() {
    int end = pattern.indexOf('}', at);
    String name = pattern.substring(at + 1, end);
    at = end + 1;
    return switch (name) {
      case "Lu", "Uppercase_Letter" -> one("ABCDEFGHIJKLMNOPQRSTUVWXYZ");
      case "N", "Nd" -> one(DIGITS);
      default -> one("abcdefghijklmnopqrstuvwxyz");
    };
  }

  /** The characters of a set, as far as they can be written down. */
  private String set() {
    boolean not = pattern.charAt(at) == '^';
    at += not ? 1 : 0;
    StringBuilder all = new StringBuilder();
    while (pattern.charAt(at) != ']') {
      String one = member();
      boolean range =
          one.length() == 1 && pattern.charAt(at) == '-' && pattern.charAt(at + 1) != ']';
      if (range) {
        at++;
        char last = member().charAt(0);
        for (char c = one.charAt(0); c <= last && all.length() < 2_000; c++) {
          all.append(c);
        }
      } else {
        all.append(one);
      }
    }
    at++;
    if (!not) {
      return all.toString();
    }
    StringBuilder others = new StringBuilder();
    ANY.chars()
        .filter(c -> all.indexOf(String.valueOf((char) c)) < 0)
        .forEach(c -> others.append((char) c));
    return others.toString();
  }

  private String member() {
    char c = pattern.charAt(at++);
    if (c != '\\') {
      return String.valueOf(c);
    }
    char escaped = pattern.charAt(at);
    if (escaped == 'd' || escaped == 'w') {
      at++;
      return escaped == 'd' ? DIGITS : WORD;
    }
    return escape();
  }

  private String one(String characters) {
    int index = chance.below(characters.length());
    return characters.substring(index, index + 1);
  }

  /** How often the last atom stands. */
  private int quantity() {
    if (at >= pattern.length()) {
      return 1;
    }
    int least;
    int most;
    char c = pattern.charAt(at);
    if (c == '*' || c == '+' || c == '?') {
      at++;
      least = c == '+' ? 1 : 0;
      most = c == '?' ? 1 : least + more;
    } else if (c == '{' && pattern.substring(at).matches("(?s)\\{\\d+(,\\d*)?}.*")) {
      int end = pattern.indexOf('}', at);
      String[] bounds = pattern.substring(at + 1, end).split(",", -1);
      at = end + 1;
      least = Integer.parseInt(bounds[0]);
      most = bounds.length == 1
          ? least
          : bounds[1].isEmpty() ? least + more : Integer.parseInt(bounds[1]);
    } else {
      return 1;
    }
    if (at < pattern.length() && pattern.charAt(at) == '?') {
      at++; // as few as possible
    }
    return least + chance.below(Math.min(most, least + Math.max(more, 1)) - least + 1);
  }
}
