package org.oddlantern.json.internal;

import java.util.Locale;

/** The part in which two texts differ, between what they share at the beginning and at the end. */
final class DifferingPart {

  private static final int SHORT = 20;
  private static final int LONGEST_PART = 60;

  private DifferingPart() {}

  static String explained(String wanted, String got) {
    int at = firstDifference(wanted, got);
    if (isOnePoint(wanted, got, at)) {
      return onePoint(wanted, got, at);
    }
    return Math.max(wanted.length(), got.length()) <= SHORT ? "" : part(wanted, got, at);
  }

  /** Where two texts begin to differ, never inside a surrogate pair. */
  static int firstDifference(String a, String b) {
    int at = 0;
    int common = Math.min(a.length(), b.length());
    while (at < common && a.charAt(at) == b.charAt(at)) {
      at++;
    }
    return at > 0 && Character.isHighSurrogate(a.charAt(at - 1)) ? at - 1 : at;
  }

  static int count(String text) {
    return text.codePointCount(0, text.length());
  }

  private static boolean isOnePoint(String wanted, String got, int at) {
    if (at >= wanted.length() || at >= got.length()) {
      return false;
    }
    return wanted
        .substring(at + Character.charCount(wanted.codePointAt(at)))
        .equals(got.substring(at + Character.charCount(got.codePointAt(at))));
  }

  /** One character for another: by name, where eyes may not tell them apart. */
  private static String onePoint(String wanted, String got, int at) {
    int first = wanted.codePointAt(at);
    int second = got.codePointAt(at);
    boolean plain = first > ' ' && first < 0x7f && second > ' ' && second < 0x7f;
    if (plain) {
      return Math.max(wanted.length(), got.length()) <= SHORT ? "" : part(wanted, got, at);
    }
    return String.format(
        Locale.ROOT,
        "at character %d wanted %s, got %s%s",
        count(wanted.substring(0, at)) + 1,
        Visible.shown(first),
        Visible.shown(second),
        isLookAlike(first, second) ? ", which may look alike" : "");
  }

  private static boolean isLookAlike(int first, int second) {
    return Character.isLetter(first)
        && Character.isLetter(second)
        && Character.UnicodeScript.of(first) != Character.UnicodeScript.of(second);
  }

  private static String part(String wanted, String got, int at) {
    int end = 0;
    int common = Math.min(wanted.length(), got.length()) - at;
    while (end < common
        && wanted.charAt(wanted.length() - 1 - end) == got.charAt(got.length() - 1 - end)) {
      end++;
    }
    int from = wordStart(wanted, at);
    int after = wordRest(wanted, wanted.length() - end);
    return String.format(
        Locale.ROOT,
        "they differ from character %d on: wanted %s, got %s%s",
        count(wanted.substring(0, at)) + 1,
        cut(wanted, from, wanted.length() - end + after),
        cut(got, from, got.length() - end + after),
        lengths(wanted, got));
  }

  private static String lengths(String wanted, String got) {
    return count(wanted) == count(got)
        ? ""
        : String.format(
            Locale.ROOT, " (%d characters wanted, %d received)", count(wanted), count(got));
  }

  private static String cut(String text, int from, int to) {
    if (to <= from) {
      return "nothing";
    }
    int end = Math.min(to, from + LONGEST_PART);
    if (end < to && Character.isHighSurrogate(text.charAt(end - 1))) {
      end--;
    }
    return Words.quoted(text.substring(from, end)) + (end < to ? "..." : "");
  }

  private static int wordStart(String text, int at) {
    int start = at;
    while (start > 0 && at - start < SHORT && Character.isLetterOrDigit(text.charAt(start - 1))) {
      start--;
    }
    return start;
  }

  private static int wordRest(String text, int at) {
    int rest = 0;
    while (at + rest < text.length()
        && rest < SHORT
        && Character.isLetterOrDigit(text.charAt(at + rest))) {
      rest++;
    }
    return rest;
  }
}
