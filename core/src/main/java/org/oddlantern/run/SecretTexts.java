package org.oddlantern.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLongArray;
import org.jspecify.annotations.Nullable;

/**
 * The texts that must not be shown, in every form they may take, found in one pass over a text however
 * many there are: each place is looked up by its next four characters. Thread-safe.
 */
final class SecretTexts {

  static final int SHORTEST = 4;

  private static final int SLOTS = 1 << 16;

  private final Map<Integer, List<Form>> byBeginning = new ConcurrentHashMap<>();
  private final AtomicLongArray filter = new AtomicLongArray(SLOTS / 64);
  private final Map<String, Boolean> known = new ConcurrentHashMap<>();
  private volatile boolean empty = true;

  /** Hides a text from now on; one that is very short cannot be told from others. */
  void learn(String secret, String variable) {
    if (secret.length() < SHORTEST || known.putIfAbsent(secret, true) != null) {
      return;
    }
    for (String form : SecretForms.of(secret)) {
      add(new Form(form, variable));
    }
    empty = false;
  }

  /** The text with every secret replaced. */
  String masked(String text) {
    return masked(text, new ArrayList<>());
  }

  /** The same; hears the variable of each secret that was replaced, in order, or an empty text. */
  String masked(String text, List<String> variables) {
    if (empty || text.length() < SHORTEST) {
      return text;
    }
    StringBuilder masked = null;
    int done = 0;
    for (int at = 0; at + SHORTEST <= text.length(); at++) {
      Form form = formAt(text, at);
      if (form != null) {
        masked = masked == null ? new StringBuilder(text.length()) : masked;
        masked.append(text, done, at).append(Masker.MASK);
        variables.add(form.variable);
        done = at + form.text.length();
        at = done - 1;
      }
    }
    return masked == null ? text : masked.append(text, done, text.length()).toString();
  }

  /**
   * The text with every secret replaced, and every piece of one, as it stands where a longer text was
   * cut. Slower; for the few texts of what does not hold.
   */
  String maskedInPieces(String text) {
    String masked = masked(text);
    return empty ? masked : SecretPieces.masked(masked, known.keySet());
  }

  private @Nullable Form formAt(String text, int at) {
    int beginning = beginning(text, at);
    int slot = slot(beginning);
    if ((filter.get(slot >> 6) & (1L << (slot & 63))) == 0) {
      return null;
    }
    for (Form form : byBeginning.getOrDefault(beginning, List.of())) {
      if (text.startsWith(form.text, at)) {
        return form;
      }
    }
    return null;
  }

  private void add(Form form) {
    int beginning = beginning(form.text, 0);
    byBeginning.merge(beginning, List.of(form), SecretTexts::longestFirst);
    int slot = slot(beginning);
    filter.accumulateAndGet(slot >> 6, 1L << (slot & 63), (bits, bit) -> bits | bit);
  }

  private static List<Form> longestFirst(List<Form> before, List<Form> added) {
    List<Form> all = new ArrayList<>(before);
    all.addAll(added);
    all.sort(Comparator.comparingInt((Form form) -> form.text.length()).reversed());
    return List.copyOf(all);
  }

  private static int beginning(String text, int at) {
    int hash = text.charAt(at);
    for (int i = 1; i < SHORTEST; i++) {
      hash = hash * 31 + text.charAt(at + i);
    }
    return hash;
  }

  private static int slot(int beginning) {
    return (beginning ^ (beginning >>> 16)) & (SLOTS - 1);
  }

  /** One way a secret may be written. */
  private record Form(String text, String variable) {}
}
