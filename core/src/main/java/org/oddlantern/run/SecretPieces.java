package org.oddlantern.run;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.oddlantern.json.JsonMapping;

/** Finds pieces of secrets in a short text: runs of eight characters and more that stand in one. */
final class SecretPieces {

  private static final int SHORTEST = 8;

  private SecretPieces() {}

  static String masked(String text, Set<String> secrets) {
    if (text.length() < SHORTEST) {
      return text;
    }
    Map<String, Set<Integer>> places = new HashMap<>();
    for (int at = 0; at + SHORTEST <= text.length(); at++) {
      places
          .computeIfAbsent(text.substring(at, at + SHORTEST), key -> new HashSet<>())
          .add(at);
    }
    boolean[] hidden = new boolean[text.length()];
    for (String secret : secrets) {
      mark(secret, places, hidden);
      String written = JsonMapping.standard().write(secret);
      if (written.length() > secret.length() + 2) {
        mark(written.substring(1, written.length() - 1), places, hidden);
      }
    }
    return without(text, hidden);
  }

  private static void mark(String secret, Map<String, Set<Integer>> places, boolean[] hidden) {
    for (int at = 0; at + SHORTEST <= secret.length(); at++) {
      for (int place : places.getOrDefault(secret.substring(at, at + SHORTEST), Set.of())) {
        Arrays.fill(hidden, place, place + SHORTEST, true);
      }
    }
  }

  private static String without(String text, boolean[] hidden) {
    StringBuilder shown = new StringBuilder();
    for (int i = 0; i < text.length(); i++) {
      if (!hidden[i]) {
        shown.append(text.charAt(i));
      } else if (i == 0 || !hidden[i - 1]) {
        shown.append(Masker.MASK);
      }
    }
    return shown.toString();
  }
}
