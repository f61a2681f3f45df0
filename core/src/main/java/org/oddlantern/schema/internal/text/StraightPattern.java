package org.oddlantern.schema.internal.text;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A pattern that begins with {@code ^} and leaves no choice, like most that dates and numbers of articles are held
 * against: ASCII characters and sets of them, each followed by others. It is matched with one look at each
 * character, without an engine that could take a wrong way. Immutable and thread-safe.
 */
final class StraightPattern {

  private final List<Part> parts;
  private final boolean toTheEnd;

  private StraightPattern(List<Part> parts, boolean toTheEnd) {
    this.parts = parts;
    this.toTheEnd = toTheEnd;
  }

  /** The pattern; null if it is none of these, or none at all. */
  static @Nullable StraightPattern of(String source) {
    return source.startsWith("^") ? new Reading(source).pattern() : null;
  }

  boolean isAtStartOf(String text) {
    int at = 0;
    for (Part part : parts) {
      int end = (int) Math.min(text.length(), (long) at + part.most());
      int start = at;
      while (at < end && part.set().has(text.charAt(at))) {
        at++;
      }
      if (at - start < part.least()) {
        return false;
      }
    }
    return !toTheEnd || at == text.length();
  }

  /**
   * Characters of a set, one after the other.
   *
   * @param set the set
   * @param least how many at least
   * @param most how many at most
   */
  private record Part(AsciiSet set, int least, int most) {

    boolean mayVary() {
      return least != most;
    }
  }

  /** Goes through the source once. */
  private static final class Reading {

    private static final String SYNTAX = "^$\\.*+?()[]{}|";
    private static final int MOST_DIGITS = 4;

    private final String source;
    private int next = 1;

    Reading(String source) {
      this.source = source;
    }

    @Nullable
    StraightPattern pattern() {
      List<Part> parts = new ArrayList<>();
      while (next < source.length() && source.charAt(next) != '$') {
        Part part = part();
        if (part == null) {
          return null;
        }
        parts.add(part);
      }
      boolean toTheEnd = next == source.length() - 1;
      boolean whole = toTheEnd || next == source.length();
      return whole && leavesNoChoice(parts) ? new StraightPattern(parts, toTheEnd) : null;
    }

    /** Whether what a part may take is never wanted by one that follows. */
    private static boolean leavesNoChoice(List<Part> parts) {
      for (int i = 0; i < parts.size(); i++) {
        boolean open = parts.get(i).mayVary();
        for (int j = i + 1; open && j < parts.size(); j++) {
          if (parts.get(i).set().meets(parts.get(j).set())) {
            return false;
          }
          open = parts.get(j).least() == 0;
        }
      }
      return true;
    }

    private @Nullable Part part() {
      AsciiSet set = set();
      if (set == null) {
        return null;
      }
      char sign = next < source.length() ? source.charAt(next) : ' ';
      if (sign == '{') {
        return counted(set);
      }
      if (sign != '*' && sign != '+' && sign != '?') {
        return new Part(set, 1, 1);
      }
      next++;
      return new Part(set, sign == '+' ? 1 : 0, sign == '?' ? 1 : Integer.MAX_VALUE);
    }

    /** In braces, {@code {2}}, {@code {2,}} or {@code {2,4}}. */
    private @Nullable Part counted(AsciiSet set) {
      next++;
      int least = number();
      int most = least;
      if (take(',')) {
        most = next < source.length() && source.charAt(next) == '}' ? Integer.MAX_VALUE : number();
      }
      return least >= 0 && most >= least && take('}') ? new Part(set, least, most) : null;
    }

    /** Below 0 if none is there. */
    private int number() {
      int start = next;
      int number = 0;
      while (next < source.length() && AsciiSet.DIGITS.has(source.charAt(next))) {
        if (next - start == MOST_DIGITS) {
          return -1;
        }
        number = number * 10 + source.charAt(next++) - '0';
      }
      return next == start ? -1 : number;
    }

    private boolean take(char wanted) {
      boolean there = next < source.length() && source.charAt(next) == wanted;
      next += there ? 1 : 0;
      return there;
    }

    private @Nullable AsciiSet set() {
      char first = source.charAt(next++);
      if (first == '[') {
        return members();
      }
      if (first == '\\') {
        return escaped();
      }
      return SYNTAX.indexOf(first) < 0 ? AsciiSet.of(first) : null;
    }

    /** What a backslash and a character mean; null if something else, or nothing. */
    private @Nullable AsciiSet escaped() {
      char escaped = next < source.length() ? source.charAt(next++) : ' ';
      return switch (escaped) {
        case 'd' -> AsciiSet.DIGITS;
        case 'w' -> AsciiSet.WORDS;
        case '/', '-' -> AsciiSet.of(escaped);
        default -> SYNTAX.indexOf(escaped) < 0 ? null : AsciiSet.of(escaped);
      };
    }

    /** The rest of a set in brackets. */
    private @Nullable AsciiSet members() {
      if (take('^') || take(']')) {
        return null;
      }
      AsciiSet all = AsciiSet.NONE;
      while (!take(']')) {
        AsciiSet first = member();
        AsciiSet more = first;
        if (first != null && isRange()) {
          next++;
          AsciiSet last = member();
          more = last == null ? null : first.to(last);
        }
        if (more == null) {
          return null;
        }
        all = all.and(more);
      }
      return all;
    }

    /** Whether a hyphen follows that is not the last character of its set. */
    private boolean isRange() {
      return next + 1 < source.length()
          && source.charAt(next) == '-'
          && source.charAt(next + 1) != ']';
    }

    private @Nullable AsciiSet member() {
      if (next >= source.length()) {
        return null;
      }
      char member = source.charAt(next++);
      if (member == '\\') {
        return escaped();
      }
      return member == '[' ? null : AsciiSet.of(member);
    }
  }
}
