package org.oddlantern.json;

import java.util.Locale;

/** A JSONPath that cannot be read; the message shows it with a caret where reading stopped. */
public final class BadPath extends IllegalArgumentException {

  private static final long serialVersionUID = 1L;
  private static final int LONGEST = 160;
  private static final int BEFORE = 80;

  /**
   * For a path that cannot be read.
   *
   * @param path the path as it is written
   * @param at where reading stopped, counted in characters from 0
   * @param wanted what was wanted there
   */
  public BadPath(String path, int at, String wanted) {
    super(message(path, at, wanted));
  }

  private static String message(String path, int at, String wanted) {
    int from = path.length() <= LONGEST ? 0 : Math.max(0, at - BEFORE);
    int to = Math.min(path.length(), from + LONGEST);
    String start = from == 0 ? "" : "...";
    return String.format(
        Locale.ROOT,
        "the path cannot be read: wanted %s at character %d%n  %s%s%s%n  %s^",
        wanted,
        path.codePointCount(0, at) + 1,
        start,
        shown(path.substring(from, to)),
        to < path.length() ? "..." : "",
        " ".repeat(start.length() + path.codePointCount(from, at)));
  }

  /** Line breaks and other control characters would put the caret under the wrong sign. */
  private static String shown(String path) {
    return path.replaceAll("\\p{Cntrl}", " ");
  }
}
