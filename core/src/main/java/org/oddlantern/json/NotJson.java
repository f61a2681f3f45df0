package org.oddlantern.json;

import java.util.Locale;

/**
 * A text that was to be JSON (RFC 8259) and is not: the message gives the reason, {@link #line()} and
 * {@link #column()} the place, both counted from 1, or 0 where no place is known.
 */
public final class NotJson extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private static final int AROUND = 50;

  private final int line;
  private final int column;
  private final boolean encoding;

  /**
   * For whoever reads JSON.
   *
   * @param reason why it cannot be read, in a sentence
   * @param line where reading stopped, counted from 1; 0 if unknown
   * @param column where reading stopped, counted from 1; 0 if unknown
   */
  public NotJson(String reason, int line, int column) {
    this(reason, line, column, false);
  }

  /**
   * For whoever reads JSON.
   *
   * @param reason why it cannot be read, in a sentence
   * @param line where reading stopped, counted from 1; 0 if unknown
   * @param column where reading stopped, counted from 1; 0 if unknown
   * @param encoding whether the reason is that the bytes are no UTF-8
   */
  public NotJson(String reason, int line, int column, boolean encoding) {
    super(reason);
    this.line = line;
    this.column = column;
    this.encoding = encoding;
  }

  /**
   * Whether the bytes are in another encoding than UTF-8.
   *
   * @return true if that is why they cannot be read
   */
  public boolean isOfEncoding() {
    return encoding;
  }

  /**
   * The line where reading stopped.
   *
   * @return counted from 1; 0 if unknown
   */
  public int line() {
    return line;
  }

  /**
   * The column where reading stopped.
   *
   * @return counted from 1; 0 if unknown
   */
  public int column() {
    return column;
  }

  /**
   * The reason with its place and the text around it.
   *
   * @param text the whole text
   * @return {@code line 4, column 12: ...}, then the line with a caret below; the reason alone if no
   *     place is known
   */
  public String around(String text) {
    if (line == 0) {
      return String.valueOf(getMessage());
    }
    return String.format(
        Locale.ROOT, "line %d, column %d: %s%s", line, column, getMessage(), excerpt(text));
  }

  private String excerpt(String text) {
    String row = text.lines().skip(line - 1L).findFirst().orElse("");
    int at = Math.max(0, Math.min(row.length(), column - 1));
    int from = Math.max(0, at - AROUND);
    int to = Math.min(row.length(), at + AROUND);
    String shown = row.substring(from, to).replace('\t', ' ') + (to < row.length() ? "..." : "");
    String start = from > 0 ? "..." : "";
    return shown.isBlank()
        ? ""
        : "\n  " + start + shown + "\n  " + " ".repeat(start.length() + at - from) + "^";
  }
}
