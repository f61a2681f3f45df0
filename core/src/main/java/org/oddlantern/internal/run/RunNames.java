package org.oddlantern.internal.run;

import java.security.SecureRandom;
import java.util.regex.Pattern;

/** Names for runs. */
public final class RunNames {

  private static final String ALPHABET = "0123456789abcdefghjkmnpqrstvwxyz";

  private static final Pattern NOT_VISIBLE = Pattern.compile("[^\\x21-\\x7e]");

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
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) <= ' ' || text.charAt(i) > '~') {
        return NOT_VISIBLE.matcher(text).replaceAll("?");
      }
    }
    return text;
  }
}
