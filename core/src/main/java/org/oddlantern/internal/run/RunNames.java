package org.oddlantern.internal.run;

import java.security.SecureRandom;

/** Names for runs. */
public final class RunNames {

  private static final String ALPHABET = "0123456789abcdefghjkmnpqrstvwxyz";

  private RunNames() {}

  /**
   * A name that no other run has.
   *
   * @return eight letters and digits
   */
  public static String fresh() {
    SecureRandom random = new SecureRandom();
    StringBuilder name = new StringBuilder();
    for (int i = 0; i < 8; i++) {
      name.append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
    }
    return name.toString();
  }

  /** The text with what cannot stand in a header replaced. */
  static String ascii(String text) {
    StringBuilder ascii = new StringBuilder();
    for (int i = 0; i < text.length(); i = text.offsetByCodePoints(i, 1)) {
      int point = text.codePointAt(i);
      ascii.append(point > ' ' && point <= '~' ? (char) point : '?');
    }
    return ascii.toString();
  }
}
