package org.oddlantern.schema.internal.text;

/** A text that lets a pattern look at it so many times and no more, since patterns can try for years. */
final class CountedLooks implements CharSequence {

  private static final int MOST = 10_000_000;

  private final String text;
  private int looks;

  CountedLooks(String text) {
    this.text = text;
  }

  @Override
  public char charAt(int index) {
    if (++looks > MOST) {
      throw new Exhausted();
    }
    return text.charAt(index);
  }

  @Override
  public int length() {
    return text.length();
  }

  @Override
  public CharSequence subSequence(int start, int end) {
    return text.subSequence(start, end);
  }

  @Override
  public String toString() {
    return text;
  }

  /** The patience is at its end. */
  static final class Exhausted extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Exhausted() {
      super("the pattern looked too often", null, false, false);
    }
  }
}
