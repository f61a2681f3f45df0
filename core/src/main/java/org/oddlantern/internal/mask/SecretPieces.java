package org.oddlantern.internal.mask;

import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLongArray;
import org.oddlantern.internal.Masked;
import org.oddlantern.json.internal.JsonMapping;

/**
 * Finds pieces of secrets in a text: runs of eight characters and more that stand in one. A filter of all
 * such runs spares the look through the secrets for nearly every text. Thread-safe.
 */
final class SecretPieces {

  private static final int SHORTEST = 8;
  private static final int NONE = -1;
  private static final int SLOTS = 1 << 22;

  private final AtomicLongArray filter = new AtomicLongArray(SLOTS / 64);

  /** Pieces of this one are found from now on. */
  void learn(String secret) {
    for (String written : writings(secret)) {
      for (int at = 0; at + SHORTEST <= written.length(); at++) {
        int slot = slot(written, at);
        filter.accumulateAndGet(slot >> 6, 1L << (slot & 63), (bits, bit) -> bits | bit);
      }
    }
  }

  String masked(String text, Collection<String> secrets) {
    int[] next = new int[text.length()];
    Map<String, Integer> places = likely(text, next);
    if (places.isEmpty()) {
      return text;
    }
    boolean[] hidden = new boolean[text.length()];
    for (String secret : secrets) {
      for (String written : writings(secret)) {
        for (int at = 0; at + SHORTEST <= written.length() && !places.isEmpty(); at++) {
          if (mayBe(written, at)) {
            Integer found = places.remove(written.substring(at, at + SHORTEST));
            for (int place = found == null ? NONE : found; place != NONE; place = next[place]) {
              Arrays.fill(hidden, place, place + SHORTEST, true);
            }
          }
        }
      }
    }
    return without(text, hidden);
  }

  /** The runs of a text that may stand in a secret, with their last places and those before each. */
  private Map<String, Integer> likely(String text, int[] next) {
    Map<String, Integer> places = new HashMap<>();
    for (int at = 0; at + SHORTEST <= text.length(); at++) {
      if (mayBe(text, at)) {
        Integer before = places.put(text.substring(at, at + SHORTEST), at);
        next[at] = before == null ? NONE : before;
      }
    }
    return places;
  }

  private boolean mayBe(String text, int at) {
    int slot = slot(text, at);
    return (filter.get(slot >> 6) & (1L << (slot & 63))) != 0;
  }

  private static int slot(String text, int at) {
    long hash = 0;
    for (int i = 0; i < SHORTEST; i++) {
      hash = hash * 0x9E3779B97F4A7C15L + text.charAt(at + i);
    }
    return (int) ((hash ^ (hash >>> 29)) >>> 7) & (SLOTS - 1);
  }

  /** As it is, and as JSON writes it if that differs. */
  private static List<String> writings(String secret) {
    String quoted = JsonMapping.standard().write(secret);
    return quoted.length() == secret.length() + 2
        ? List.of(secret)
        : List.of(secret, quoted.substring(1, quoted.length() - 1));
  }

  private static String without(String text, boolean[] hidden) {
    StringBuilder shown = new StringBuilder();
    for (int i = 0; i < text.length(); i++) {
      if (!hidden[i]) {
        shown.append(text.charAt(i));
      } else if (i == 0 || !hidden[i - 1]) {
        shown.append(Masked.TEXT);
      }
    }
    return shown.toString();
  }
}
