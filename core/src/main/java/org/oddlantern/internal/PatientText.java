package org.oddlantern.internal;

/** A text that lets a pattern look at it so many times and no more, since patterns can try for years. */
public final class PatientText implements CharSequence {

  private final CharSequence text;
  private final int mostLooks;
  private int looks;

  /**
   * A text to be looked at.
   *
   * @param text the text
   * @param mostLooks how often
   */
  public PatientText(CharSequence text, int mostLooks) {
    this.text = text;
    this.mostLooks = mostLooks;
  }

  @Override
  public char charAt(int index) {
    if (++looks > mostLooks) {
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
    return text.toString();
  }

  /** The patience is at its end. */
  public static final class Exhausted extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Exhausted() {
      super("the pattern looked too often", null, false, false);
    }
  }
}
