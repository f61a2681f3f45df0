package org.oddlantern.internal.description;

/**
 * How a value is written as text (OpenAPI 3.1, Parameter Object, Style Values).
 *
 * @param style how
 * @param explode whether each item or member stands by itself
 */
public record Writing(Style style, boolean explode) {

  /** The styles of the standard. */
  public enum Style {
    /** {@code ;colour=blue}. */
    MATRIX("matrix"),
    /** {@code .blue}. */
    LABEL("label"),
    /** {@code colour=blue}. */
    FORM("form"),
    /** {@code blue,black}. */
    SIMPLE("simple"),
    /** {@code blue%20black}. */
    SPACE("spaceDelimited"),
    /** {@code blue%7Cblack}. */
    PIPE("pipeDelimited"),
    /** {@code colour[R]=100}. */
    DEEP("deepObject");

    private final String word;

    Style(String word) {
      this.word = word;
    }

    /** As the standard writes it. */
    public String word() {
      return word;
    }
  }
}
