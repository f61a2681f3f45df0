package org.oddlantern.reports.html;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.oddlantern.http.Verdict;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.NotJson;
import org.oddlantern.reports.Amounts;
import org.oddlantern.run.BodyRecord;
import tools.jackson.databind.JsonNode;

/**
 * A body as a page shows it.
 *
 * @param size its size in words
 * @param lines its text by lines; empty if it is no text
 * @param note what is not shown, in words; may be empty
 */
public record BodyView(String size, List<Line> lines, String note) {

  private static final int MOST_LINES = 400;
  private static final int SHORT = 40;
  private static final int AROUND = 6;
  private static final int LONGEST_TEXT = 40_000;
  private static final int BEGINNING = 2_000;
  private static final int LONGEST_LINE = 4_000;

  static BodyView of(BodyRecord body, String text, List<Verdict> verdicts) {
    String size = Amounts.size(body.bytes());
    if (body.bytes() == 0) {
      return new BodyView("empty", List.of(), "");
    }
    if (!body.parts().isEmpty()) {
      List<Line> parts = body.parts().stream()
          .map(part -> new Line(part.words(), List.of(), false))
          .toList();
      return new BodyView(size, parts, "a form of " + Amounts.of(parts.size(), "part"));
    }
    if (text.isEmpty()) {
      return new BodyView(size, List.of(), "not a text");
    }
    try {
      JsonNode root = JsonMapping.standard().parse(text);
      return ofJson(
          size,
          LaidOutJson.of(root, 100_000),
          verdicts.stream().flatMap(verdict -> verdict.findings().stream()).toList());
    } catch (NotJson e) {
      String shown = text.length() > LONGEST_TEXT ? text.substring(0, LONGEST_TEXT) : text;
      String note =
          text.length() > LONGEST_TEXT ? "cut: " + text.length() + " characters in all" : "";
      return new BodyView(
          size, shown.lines().map(line -> new Line(line, List.of(), false)).toList(), note);
    }
  }

  /** A body: a long one in which nothing is wrong shows its beginning only. */
  static BodyView of(BodyRecord body, Bodies bodies, List<Verdict> verdicts) {
    if (body.file() == null || verdicts.stream().anyMatch(verdict -> !verdict.holds())) {
      return of(body, bodies.text(body), verdicts);
    }
    List<Line> lines = bodies
        .beginning(body, BEGINNING)
        .lines()
        .map(line -> new Line(line, List.of(), false))
        .toList();
    return new BodyView(
        Amounts.size(body.bytes()), lines, "its beginning; the whole is in " + body.file());
  }

  /** A statement with what was given for its question marks. */
  static BodyView ofQuery(String sql, List<String> parameters) {
    List<Line> lines = new ArrayList<>();
    sql.strip().lines().forEach(line -> lines.add(new Line(line, List.of(), false)));
    for (int i = 0; i < parameters.size(); i++) {
      lines.add(new Line("? " + (i + 1) + "  " + parameters.get(i), List.of(), false));
    }
    return new BodyView(Amounts.size(sql.length()), lines, "");
  }

  /** A short body whole; of a long one what surrounds the findings, or its beginning if there are none. */
  private static BodyView ofJson(String size, List<LaidOutJson.Line> all, List<Finding> findings) {
    List<List<Difference>> marks =
        all.stream().map(line -> differences(line, findings)).toList();
    boolean marked = marks.stream().anyMatch(mark -> !mark.isEmpty());
    boolean[] shown = new boolean[all.size()];
    int whole = marked ? SHORT : MOST_LINES;
    Arrays.fill(
        shown,
        0,
        Math.min(all.size(), all.size() <= whole ? whole : marked ? AROUND : MOST_LINES / 4),
        true);
    for (int i = 0; i < all.size(); i++) {
      if (!marks.get(i).isEmpty()) {
        Arrays.fill(shown, Math.max(0, i - AROUND), Math.min(all.size(), i + AROUND + 1), true);
      }
    }
    return new BodyView(size, lines(all, marks, shown), "");
  }

  private static List<Line> lines(
      List<LaidOutJson.Line> all, List<List<Difference>> marks, boolean[] shown) {
    List<Line> lines = new ArrayList<>();
    int hidden = 0;
    for (int i = 0; i < all.size(); i++) {
      if (shown[i] && lines.size() < MOST_LINES * 2) {
        gap(lines, hidden);
        hidden = 0;
        lines.add(new Line(cut(all.get(i).text()), marks.get(i), false));
      } else {
        hidden++;
      }
    }
    gap(lines, hidden);
    return lines;
  }

  private static String cut(String line) {
    return line.length() <= LONGEST_LINE
        ? line
        : line.substring(0, LONGEST_LINE) + "... (" + line.length() + " characters in all)";
  }

  private static void gap(List<Line> lines, int hidden) {
    if (hidden > 0) {
      lines.add(new Line(Amounts.of(hidden, "more line"), List.of(), true));
    }
  }

  private static List<Difference> differences(LaidOutJson.Line line, List<Finding> findings) {
    return line.where().isEmpty() || line.where().equals("$")
        ? List.of()
        : findings.stream()
            .filter(finding -> finding.where().equals(line.where()))
            .map(finding ->
                new Difference(finding.wanted(), finding.hints().stream().findFirst()))
            .toList();
  }

  /**
   * A line of a body.
   *
   * @param text the line
   * @param differences what does not hold there
   * @param gap whether it stands for lines that are not shown
   */
  public record Line(String text, List<Difference> differences, boolean gap) {}

  /**
   * What does not hold on a line.
   *
   * @param wanted what was asked for
   * @param hint what may help
   */
  public record Difference(String wanted, Optional<String> hint) {}
}
