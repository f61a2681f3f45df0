package org.oddlantern.internal.reports.html;

import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.SentFile;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.json.Finding;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A body as a page shows it.
 *
 * @param size its size in words
 * @param lines its text by lines; empty if it is no text
 * @param note what is not shown, in words; may be empty
 * @param link where the whole lies, seen from a page; empty if it is shown
 * @param picture whether that is a picture
 */
public record BodyView(String size, List<Line> lines, String note, String link, boolean picture) {

  private static final String NO_TEXT = "not a text";
  private static final int MOST_LINES = 400;
  private static final int MOST_LAID_OUT = 100_000;
  private static final int SHORT = 40;
  private static final int AROUND = 6;
  private static final int LONGEST_TEXT = 40_000;
  private static final int BEGINNING = 2_000;
  private static final int LONGEST_LINE = 4_000;
  private static final int DEEPEST = 9;

  private BodyView(String size, List<Line> lines, String note) {
    this(size, lines, note, "", false);
  }

  /** A body of which this is the text. */
  static BodyView of(BodyRecord body, String text, List<Finding> findings) {
    String size = Amounts.size(body.bytes());
    if (body.bytes() == 0) {
      return new BodyView("empty", List.of(), "");
    }
    if (!body.parts().isEmpty()) {
      List<Line> parts =
          body.parts().stream().map(part -> Line.of(part.words())).toList();
      return new BodyView(size, parts, "a form of " + Amounts.of(parts.size(), "part"));
    }
    if (text.isEmpty()) {
      return new BodyView(size, List.of(), NO_TEXT);
    }
    Optional<JsonNode> root = VerbatimJson.tree(text);
    if (root.isPresent()) {
      boolean marked = !findings.isEmpty();
      LaidOut json = LaidOutJson.of(root.get(), marked ? MOST_LAID_OUT : MOST_LINES, marked);
      return new BodyView(size, lines(json, Marking.of(json, Places.JSON, findings)), "");
    }
    LaidOut xml = new LaidOut(LaidOutXml.of(text), 0);
    return xml.count() == 0
        ? ofText(size, text)
        : new BodyView(size, lines(xml, Marking.of(xml, Places.XML, findings)), "");
  }

  private static BodyView ofText(String size, String text) {
    boolean whole = text.length() <= LONGEST_TEXT;
    String shown = whole ? text : text.substring(0, LONGEST_TEXT);
    return new BodyView(
        size,
        shown.lines().map(line -> Line.of(line)).toList(),
        whole ? "" : "cut: " + text.length() + " characters in all");
  }

  /** A body; one that cannot be shown says so, and leaves the rest of its page alone. */
  static BodyView of(BodyRecord body, Bodies bodies, List<Finding> findings) {
    try {
      return shown(body, bodies, findings);
    } catch (RuntimeException | StackOverflowError e) {
      bodies.unshown(e);
      String why =
          e instanceof UncheckedIOException ? e.getMessage() : e.getClass().getSimpleName();
      return new BodyView(Amounts.size(body.bytes()), List.of(), "it could not be shown: " + why);
    }
  }

  /** A long one in which nothing is wrong shows its beginning only. */
  private static BodyView shown(BodyRecord body, Bodies bodies, List<Finding> findings) {
    if (body.isPicture()) {
      return new BodyView(
          Amounts.size(body.bytes()), List.of(), "a picture", bodies.link(body.file()), true);
    }
    if (body.file() == null) {
      return of(body, bodies.text(body), findings);
    }
    if (!findings.isEmpty()) {
      BodyView view = of(body, bodies.text(body), findings);
      return new BodyView(view.size, view.lines, view.note, bodies.link(body.file()), false);
    }
    List<Line> lines =
        bodies.beginning(body, BEGINNING).lines().map(line -> Line.of(line)).toList();
    return new BodyView(
        Amounts.size(body.bytes()), lines, "its beginning", bodies.link(body.file()), false);
  }

  /** With its media type, if it is no text. */
  BodyView typed(List<Header> headers) {
    if (!note.equals(NO_TEXT)) {
      return this;
    }
    String type = headers.stream()
        .filter(header -> header.name().equalsIgnoreCase("Content-Type"))
        .map(Header::value)
        .findFirst()
        .orElse("of no declared type");
    return new BodyView(size, lines, note + ", " + type, link, picture);
  }

  /** With a link to its bytes, if it is no text and they lie in a file. */
  BodyView sentFrom(@Nullable SentFile file, Bodies bodies) {
    return file == null || !lines.isEmpty()
        ? this
        : new BodyView(size, lines, note, bodies.link(file.name()), false);
  }

  /** A statement with what was given for its question marks. */
  static BodyView ofQuery(String sql, List<String> parameters) {
    List<Line> lines = new ArrayList<>();
    sql.strip().lines().forEach(line -> lines.add(Line.of(line)));
    for (int i = 0; i < parameters.size(); i++) {
      lines.add(Line.of("? " + (i + 1) + "  " + parameters.get(i)));
    }
    return new BodyView(Amounts.size(sql.length()), lines, "");
  }

  /** A short body whole; of a long one what surrounds the findings, or its beginning if there are none. */
  private static List<Line> lines(LaidOut laidOut, Marking marking) {
    List<LaidOutLine> all = laidOut.lines();
    boolean[] shown = new boolean[all.size()];
    int whole = marking.isEmpty() ? MOST_LINES : SHORT;
    int beginning = marking.isEmpty() ? MOST_LINES / 4 : AROUND;
    Arrays.fill(shown, 0, laidOut.count() <= whole ? all.size() : beginning, true);
    for (int i = 0; i < all.size(); i++) {
      if (!marking.at(i).isEmpty()) {
        Arrays.fill(shown, Math.max(0, i - AROUND), Math.min(all.size(), i + AROUND + 1), true);
      }
    }
    List<Line> lines = new ArrayList<>();
    int hidden = 0;
    for (int i = 0; i < all.size(); i++) {
      if (shown[i] && lines.size() < MOST_LINES * 2) {
        gap(lines, hidden);
        hidden = 0;
        LaidOutLine line = all.get(i);
        lines.add(new Line(cut(line.text()), marking.at(i), false, line.opens(), line.closes()));
      } else {
        hidden++;
      }
    }
    gap(lines, hidden + laidOut.more());
    return lines;
  }

  private static String cut(String line) {
    return line.length() <= LONGEST_LINE
        ? line
        : line.substring(0, LONGEST_LINE) + "... (" + line.length() + " characters in all)";
  }

  private static void gap(List<Line> lines, int hidden) {
    if (hidden > 0) {
      lines.add(new Line(Amounts.of(hidden, "more line"), List.of(), true, false, false));
    }
  }

  /**
   * A line of a body.
   *
   * @param text the line
   * @param differences what does not hold there
   * @param gap whether it stands for lines that are not shown
   * @param opens whether what follows is inside it
   * @param closes whether it ends what was opened
   */
  public record Line(
      String text, List<Difference> differences, boolean gap, boolean opens, boolean closes) {

    static Line of(String text) {
      return new Line(text, List.of(), false, false, false);
    }

    /**
     * How deep it stands, for the stylesheet.
     *
     * @return {@code deep-0} to {@code deep-9}
     */
    public String deep() {
      int indent = text.length() - text.stripLeading().length();
      return "deep-" + Math.min(indent / 2, DEEPEST);
    }
  }

  /**
   * A piece of a body: a line, or something that can be folded away.
   *
   * @param line the line, or the first one of what can be folded
   * @param inside what is inside; empty for a line
   * @param end the last line of what can be folded; null for a line
   * @param open whether it is shown from the start
   */
  public record Piece(
      Line line, List<Piece> inside, @Nullable Line end, boolean open) {

    /**
     * Whether it can be folded away.
     *
     * @return true if there is something inside
     */
    public boolean folds() {
      return end != null;
    }
  }

  /**
   * The lines as pieces. Where lines are left out nothing can be folded.
   *
   * @return in order
   */
  public List<Piece> pieces() {
    boolean whole = lines.stream().noneMatch(Line::gap);
    return whole ? new Folding(lines).pieces() : plain();
  }

  private List<Piece> plain() {
    return lines.stream().map(line -> new Piece(line, List.of(), null, true)).toList();
  }

  /**
   * What does not hold on a line.
   *
   * @param wanted what was asked for, after the place if it is missing
   */
  public record Difference(String wanted) {}
}
