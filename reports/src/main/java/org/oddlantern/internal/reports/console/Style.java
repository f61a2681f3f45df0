package org.oddlantern.internal.reports.console;

/**
 * How the console looks.
 *
 * @param colour whether words are coloured
 * @param columns how wide lines may be; 0 for as wide as one likes
 * @param ascii whether anything but ASCII is told by its code
 * @param live whether there is a line that says how far a run is
 */
public record Style(boolean colour, int columns, boolean ascii, boolean live) {

  private static final String BRASS = "38;5;136";
  private static final String ALARM = "1;38;5;131";
  private static final String QUIET = "2";

  /**
   * For a file or a pipe: lines as wide as one likes.
   *
   * @param colour whether words are coloured
   */
  public Style(boolean colour) {
    this(colour, 0, false, false);
  }

  /**
   * A name or a title.
   *
   * @param text the text
   * @return the text, coloured if this style is
   */
  public String heading(String text) {
    return in(BRASS, text);
  }

  /**
   * What matters less.
   *
   * @param text the text
   * @return the text, coloured if this style is
   */
  public String quiet(String text) {
    return in(QUIET, text);
  }

  /**
   * What did not hold.
   *
   * @param text the text
   * @return the text, coloured if this style is
   */
  public String alarm(String text) {
    return in(ALARM, text);
  }

  private String in(String code, String text) {
    return colour ? "\u001b[" + code + "m" + text + "\u001b[0m" : text;
  }
}
