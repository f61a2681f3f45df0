package org.oddlantern.json;

/**
 * A text that was to be JSON (RFC 8259) and is not: the message tells the reason, {@link #line()} and
 * {@link #column()} the place, both counted from 1, or 0 where no place is known.
 */
public final class NotJson extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final int line;
  private final int column;

  NotJson(String reason, int line, int column) {
    super(reason);
    this.line = line;
    this.column = column;
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
}
