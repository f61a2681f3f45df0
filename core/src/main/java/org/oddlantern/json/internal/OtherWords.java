package org.oddlantern.json.internal;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What others call the names that there are here, whatever the case of their letters and whether they
 * are joined by signs. Immutable.
 */
public final class OtherWords {

  private final Map<String, String> names = new HashMap<>();

  /**
   * Knows some words.
   *
   * @param words for each name what it is called elsewhere
   */
  public OtherWords(Map<String, List<String>> words) {
    words.forEach((name, others) -> others.forEach(other -> names.put(plain(other), name)));
  }

  /**
   * The name of what a word of others means.
   *
   * @param word a word that names nothing here
   * @return the name; empty if nobody calls anything so
   */
  public Optional<String> meant(String word) {
    return Optional.ofNullable(names.get(plain(word)));
  }

  private static String plain(String word) {
    return word.replaceAll("[-_.]", "").toLowerCase(Locale.ROOT);
  }
}
