package org.oddlantern.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.atomic.AtomicLongArray;
import org.jspecify.annotations.Nullable;

/**
 * The texts that must not be shown, in every form they may take, found in one pass over a text however
 * many there are: each place is looked up by its next four characters. Thread-safe.
 */
final class SecretTexts {

  static final int SHORTEST = 4;

  /** JSON in JSON in XML is as deep as texts are nested in each other. */
  private static final int LAYERS = 3;

  private static final int SLOTS = 1 << 16;

  private final Map<Integer, Map<Integer, Map<String, Form>>> byBeginning =
      new ConcurrentHashMap<>();
  private final AtomicLongArray filter = new AtomicLongArray(SLOTS / 64);
  private final SecretPieces pieces = new SecretPieces();
  private final Map<String, Boolean> known = new ConcurrentHashMap<>();
  private volatile boolean empty = true;
  private volatile int shortest = Integer.MAX_VALUE;

  /** Hides a text from now on; one that is very short cannot be told from others. */
  void learn(String secret, String variable) {
    if (!secret.isEmpty()) {
      shortest = Math.min(shortest, secret.length());
    }
    if (secret.length() < SHORTEST || known.putIfAbsent(secret, true) != null) {
      return;
    }
    pieces.learn(secret);
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
    List<Hit> hits = hits(text);
    if (hits.isEmpty()) {
      return text;
    }
    StringBuilder masked = new StringBuilder(text.length());
    int done = 0;
    for (Hit hit : hits) {
      masked.append(text, done, hit.start).append(Masker.MASK);
      variables.add(hit.variable);
      done = hit.end;
    }
    return masked.append(text, done, text.length()).toString();
  }

  /** Whether a secret stands in it, as it is or when its escapes are undone. */
  boolean isIn(String text) {
    return !empty && text.length() >= SHORTEST && !hits(text).isEmpty();
  }

  /** Where secrets stand, in order, none within another; the text as it is and with its escapes undone. */
  private List<Hit> hits(String text) {
    List<Hit> hits = new ArrayList<>(0);
    find(text, (start, end, variable) -> hits.add(new Hit(start, end, variable)));
    String last = text;
    for (int layer = 1; layer <= LAYERS; layer++) {
      String next = DecodedText.undone(last);
      if (next.equals(last)) {
        break;
      }
      if (find(next, (start, end, variable) -> {})) {
        addDecoded(text, layer, hits);
      }
      last = next;
    }
    return hits.size() < 2 ? hits : apart(hits);
  }

  /** The places of what was found under so many layers of escapes. */
  private void addDecoded(String text, int layers, List<Hit> hits) {
    DecodedText decoded = DecodedText.of(text);
    for (int i = 0; i < layers; i++) {
      decoded = decoded.decoded();
    }
    DecodedText last = decoded;
    find(
        last.text(),
        (start, end, variable) ->
            hits.add(new Hit(last.start(start), last.end(end - 1), variable)));
  }

  private boolean find(String text, HitHearer hearer) {
    boolean found = false;
    for (int at = 0; at + SHORTEST <= text.length(); at++) {
      Form form = formAt(text, at);
      if (form != null) {
        found = true;
        hearer.hit(at, at + form.text.length(), form.variable);
        at += form.text.length() - 1;
      }
    }
    return found;
  }

  /** In order, those that overlap made one. */
  private static List<Hit> apart(List<Hit> hits) {
    hits.sort(
        Comparator.comparingInt(Hit::start).thenComparing(Hit::end, Comparator.reverseOrder()));
    List<Hit> apart = new ArrayList<>();
    for (Hit hit : hits) {
      Hit before = apart.isEmpty() ? null : apart.get(apart.size() - 1);
      if (before == null || hit.start >= before.end) {
        apart.add(hit);
      } else if (hit.end > before.end) {
        apart.set(apart.size() - 1, new Hit(before.start, hit.end, before.variable));
      }
    }
    return apart;
  }

  /**
   * The text with every secret replaced, and every piece of one, as it stands where a longer text was
   * cut. Slower; for the few texts of what does not hold.
   */
  String maskedInPieces(String text) {
    String masked = masked(text);
    return empty ? masked : pieces.masked(masked, known.keySet());
  }

  /** How long the shortest secret is that anybody has told of. */
  int shortest() {
    return shortest;
  }

  /** Those of so many letters and more. */
  List<String> ofLength(int least) {
    return known.keySet().stream().filter(secret -> secret.length() >= least).toList();
  }

  private @Nullable Form formAt(String text, int at) {
    int beginning = beginning(text, at);
    int slot = slot(beginning);
    if ((filter.get(slot >> 6) & (1L << (slot & 63))) == 0) {
      return null;
    }
    Map<Integer, Map<String, Form>> byLength = byBeginning.get(beginning);
    if (byLength != null) {
      for (Map.Entry<Integer, Map<String, Form>> known : byLength.entrySet()) {
        int end = at + known.getKey();
        Form form = end > text.length() ? null : known.getValue().get(text.substring(at, end));
        if (form != null) {
          return form;
        }
      }
    }
    return null;
  }

  /** The longest first: one may begin with another. */
  private void add(Form form) {
    int beginning = beginning(form.text, 0);
    byBeginning
        .computeIfAbsent(beginning, key -> new ConcurrentSkipListMap<>(Comparator.reverseOrder()))
        .computeIfAbsent(form.text.length(), key -> new ConcurrentHashMap<>())
        .putIfAbsent(form.text, form);
    int slot = slot(beginning);
    filter.accumulateAndGet(slot >> 6, 1L << (slot & 63), (bits, bit) -> bits | bit);
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

  /** Hears where secrets stand. */
  private interface HitHearer {
    void hit(int start, int end, String variable);
  }

  /** A place where a secret stands. */
  private record Hit(int start, int end, String variable) {}

  /** One way a secret may be written. */
  private record Form(String text, String variable) {}
}
