package org.oddlantern.internal.reports.console;

import java.util.ArrayList;
import java.util.List;

/** Breaks lines at blanks where a terminal is too narrow for them; what has no blanks stays whole. */
final class Wrapping {

  private Wrapping() {}

  /**
   * The lines of a text.
   *
   * @param text one line, which is not styled
   * @param width how wide the terminal is; 0 for as wide as one likes
   * @param indent for the lines after the first
   */
  static List<String> of(String text, int width, int indent) {
    int room = width - indent;
    if (width <= 0 || text.length() <= width || room < 20) {
      return List.of(text);
    }
    List<String> lines = new ArrayList<>();
    String rest = text;
    String before = "";
    while (before.length() + rest.length() > width) {
      int most = width - before.length();
      int end = rest.lastIndexOf(' ', most);
      if (rest.substring(0, Math.max(0, end)).isBlank()) {
        end = rest.indexOf(' ', most);
      }
      if (end < 0) {
        break;
      }
      lines.add(before + rest.substring(0, end));
      rest = rest.substring(end).stripLeading();
      before = " ".repeat(indent);
    }
    lines.add(before + rest);
    return lines;
  }
}
