package org.oddlantern.internal.mask;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.atomic.AtomicLongArray;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Masked;

/**
 * The texts that must not be shown, in every form they may take, found in one pass over a text however
 * many there are: each place is looked up by its next four characters. Thread-safe.
 */
final class SecretTexts {

  static final int SHORTEST = 4;

  /** JSON in JSON in XML is as deep as texts are nested in each other. */
  private static final int LAYERS = 3;

  private static final int WINDOW = 1 << 18;

  /** No secret is longer with all its escapes. */
  private static final int OVERLAP = 1 << 14;

  private static final int SLOTS = 1 << 16;

  /** What the first of the letters of a beginning counts in it. */
  private static final int FIRST = 31 * 31 * 31;

  /** What has an escape of its own: in JSON (RFC 8259, section 7) and XML (1.0, section 4.6). */
  private static final Pattern SPECIAL = Pattern.compile("[\"\\\\&<>'\\x00-\\x1F]");

  private final Map<Integer, Map<Integer, Map<String, Form>>> byBeginning =
      new ConcurrentHashMap<>();
  private final AtomicLongArray filter = new AtomicLongArray(SLOTS / 64);
  private final SecretPieces pieces = new SecretPieces();
  private final Map<String, Boolean> known = new ConcurrentHashMap<>();
  private volatile boolean empty = true;
  private volatile boolean slashed;
  private volatile boolean special;
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
    slashed |= secret.indexOf('/') >= 0;
    special |= SPECIAL.matcher(secret).find();
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
      masked.append(text, done, hit.start).append(Masked.TEXT);
      variables.add(hit.variable);
      done = hit.end;
    }
    return masked.append(text, done, text.length()).toString();
  }

  /** Whether there are none. */
  boolean isEmpty() {
    return empty;
  }

  /** Whether a secret is in it, as it is or when its escapes are undone. */
  boolean isIn(String text) {
    return !empty && text.length() >= SHORTEST && !hits(text).isEmpty();
  }

  /** Where secrets stand, in order, none within another; the text as it is and with its escapes undone. */
  private List<Hit> hits(String text) {
    List<Hit> hits = new ArrayList<>(0);
    find(text, (start, end, variable) -> hits.add(new Hit(start, end, variable)));
    for (int from = 0; from < text.length(); from += WINDOW) {
      String window = text.substring(from, Math.min(text.length(), from + WINDOW + OVERLAP));
      if (mayHide(window)) {
        addHidden(window, from, hits);
      }
    }
    return hits.size() < 2 ? hits : apart(hits);
  }

  /** Those that escapes hide, of a piece of a text, so that no text is undone at its full length. */
  private void addHidden(String text, int from, List<Hit> hits) {
    Set<String> seen = new HashSet<>(Set.of(text));
    Deque<Undone> open = new ArrayDeque<>(List.of(new Undone(text, List.of())));
    while (!open.isEmpty()) {
      Undone undone = open.remove();
      for (Undone next : undone.next()) {
        if (seen.add(next.text)) {
          if (find(next.text, (start, end, variable) -> {})) {
            addDecoded(text, from, next.layers, hits);
          }
          open.add(next);
        }
      }
    }
  }

  /**
   * Whether undoing escapes may bring out a secret: always one of those that can stand for any letter, and
   * where a secret has a letter of its own escape, that one too. Nearly every text has quotes that are
   * escaped, and is not worth the effort.
   */
  private boolean mayHide(String text) {
    return text.contains("\\u")
        || text.contains("&#")
        || text.contains("&amp;")
        || text.indexOf('%') >= 0
        || slashed && text.contains("\\/")
        || special && (text.indexOf('\\') >= 0 || text.indexOf('&') >= 0);
  }

  /** The places of what was found under so many layers of escapes. */
  private void addDecoded(String text, int from, List<DecodedText.Escape> layers, List<Hit> hits) {
    DecodedText decoded = DecodedText.of(text);
    for (DecodedText.Escape layer : layers) {
      decoded = decoded.decoded(layer);
    }
    DecodedText last = decoded;
    find(
        last.text(),
        (start, end, variable) ->
            hits.add(new Hit(from + last.start(start), from + last.end(end - 1), variable)));
  }

  private boolean find(String text, HitHearer hearer) {
    boolean found = false;
    int last = text.length() - SHORTEST;
    int beginning = last < 0 ? 0 : beginning(text, 0);
    for (int at = 0; at <= last; at++) {
      Form form = mayBegin(beginning) ? formAt(text, at, beginning) : null;
      if (form != null) {
        found = true;
        hearer.hit(at, at + form.text.length(), form.variable);
        at += form.text.length() - 1;
        beginning = at < last ? beginning(text, at + 1) : 0;
      } else if (at < last) {
        beginning = (beginning - text.charAt(at) * FIRST) * 31 + text.charAt(at + SHORTEST);
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

  private boolean mayBegin(int beginning) {
    int slot = slot(beginning);
    return (filter.get(slot >> 6) & (1L << (slot & 63))) != 0;
  }

  private @Nullable Form formAt(String text, int at, int beginning) {
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

  /** A text in which layers of escapes are undone. */
  private record Undone(String text, List<DecodedText.Escape> layers) {

    /** With one more layer undone, of each kind. */
    List<Undone> next() {
      List<Undone> next = new ArrayList<>();
      for (DecodedText.Escape kind : DecodedText.Escape.values()) {
        String undone = layers.size() < LAYERS ? DecodedText.undone(text, kind) : text;
        if (!undone.equals(text)) {
          List<DecodedText.Escape> more = new ArrayList<>(layers);
          more.add(kind);
          next.add(new Undone(undone, more));
        }
      }
      return next;
    }
  }

  /** A place where a secret stands. */
  private record Hit(int start, int end, String variable) {}

  /** One way a secret may be written. */
  private record Form(String text, String variable) {}
}
