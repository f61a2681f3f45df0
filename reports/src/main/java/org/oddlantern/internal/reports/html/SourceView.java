package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.oddlantern.internal.record.SourceRecord;

/**
 * The code of a case.
 *
 * @param file the name of its file
 * @param lines its lines
 */
public record SourceView(String file, List<Line> lines) {

  /**
   * A line of code.
   *
   * @param number its number
   * @param text its text
   * @param marked whether this is where something went wrong
   */
  public record Line(String number, String text, boolean marked) {}

  /**
   * The code without numbers.
   *
   * @return its lines, joined
   */
  public String text() {
    return lines.stream().map(Line::text).collect(Collectors.joining("\n"));
  }

  static SourceView of(SourceRecord source) {
    int indent = source.lines().stream()
        .filter(line -> !line.isBlank())
        .mapToInt(line -> line.length() - line.stripLeading().length())
        .min()
        .orElse(0);
    List<Line> lines = new ArrayList<>();
    for (int i = 0; i < source.lines().size(); i++) {
      int number = source.first() + i;
      String line = source.lines().get(i);
      lines.add(new Line(
          String.valueOf(number),
          line.isBlank() ? "" : line.substring(indent),
          number == source.marked()));
    }
    return new SourceView(source.file(), lines);
  }
}
