package org.oddlantern.internal.promise;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** What a title and a sentence of a document have in common if one means the other. */
public final class Sentence {

  /** A box of a list of things to do: a promise, whether a case has its title or not. */
  private static final Pattern BOX = Pattern.compile("^\\[[ xX]?] ");

  private Sentence() {}

  /** Whether somebody asks for a case. */
  static boolean isBoxed(String text) {
    return BOX.matcher(text).find();
  }

  /**
   * The sentence itself.
   *
   * @param text a sentence, maybe with a box before it
   * @return the text without the box
   */
  public static String words(String text) {
    return BOX.matcher(text).replaceFirst("").strip();
  }

  /**
   * What is compared: spaces, case of letters, marks of emphasis and code, and a final full stop do not
   * matter.
   *
   * @param text a title or a sentence
   * @return what all texts have in common that mean the same
   */
  public static String key(String text) {
    String key = Normalizer.normalize(words(text), Normalizer.Form.NFC)
        .replace('\u0000', '\ufffd')
        .replaceAll("[`*_]", "")
        .replaceAll("[\\s\\p{Z}]+", " ")
        .strip()
        .toLowerCase(Locale.ROOT);
    if (key.isEmpty()) {
      return words(text);
    }
    return key.length() > 1 && key.endsWith(".") && !key.endsWith("..")
        ? key.substring(0, key.length() - 1).strip()
        : key;
  }
}
