package org.oddlantern.json.internal;

/**
 * Texts that can be written: half of a surrogate pair without the other, as JSON can bring and a cut in the
 * middle of one leaves, is no character of any encoding, and shows as U+FFFD.
 */
public final class WellFormed {

  private WellFormed() {}

  /**
   * A text that can be written.
   *
   * @param text any text
   * @return the text itself if nothing is wrong with it
   */
  public static String of(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (Character.isSurrogate(text.charAt(i))) {
        return replaced(text);
      }
    }
    return text;
  }

  private static String replaced(String text) {
    StringBuilder written = new StringBuilder(text.length());
    text.codePoints()
        .map(point ->
            point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE ? 0xFFFD : point)
        .forEach(written::appendCodePoint);
    return written.toString();
  }
}
