package org.oddlantern.internal.mask;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A text with escapes of one kind undone: those of JSON, character references of XML or percent-encoding,
 * and for each letter where it stood before. Who reads a report may undo them, so secrets are looked
 * for in it too; the text itself is never told. Immutable.
 */
final class DecodedText {

  private static final String NAMED = "\"\\/bfnrt";
  private static final String MEANT = "\"\\/\b\f\n\r\t";
  private static final Map<String, String> REFERENCES =
      Map.of("&amp;", "&", "&lt;", "<", "&gt;", ">", "&quot;", "\"", "&apos;", "'");

  private final String text;
  private final int[] starts;
  private final int[] ends;

  private DecodedText(String text, int[] starts, int[] ends) {
    this.text = text;
    this.starts = starts;
    this.ends = ends;
  }

  /** A text as it is. */
  static DecodedText of(String text) {
    int[] starts = new int[text.length()];
    int[] ends = new int[text.length()];
    for (int i = 0; i < starts.length; i++) {
      starts[i] = i;
      ends[i] = i + 1;
    }
    return new DecodedText(text, starts, ends);
  }

  /** A text with one layer of escapes undone, and nothing else; itself if there are none. */
  static String undone(String text, Escape kind) {
    if (text.indexOf(kind.sign) < 0) {
      return text;
    }
    StringBuilder undone = new StringBuilder(text.length());
    scan(text, kind, (meaning, start, end) -> {
      if (meaning == null) {
        undone.append(text, start, end);
      } else {
        undone.append(meaning);
      }
    });
    return undone.toString();
  }

  String text() {
    return text;
  }

  /** Where a letter stood in the text as it was. */
  int start(int at) {
    return starts[at];
  }

  /** After the end of a letter in the text as it was. */
  int end(int at) {
    return ends[at];
  }

  /** The same with one more layer undone. */
  DecodedText decoded(Escape kind) {
    int[] from = new int[text.length()];
    int[] to = new int[text.length()];
    StringBuilder out = new StringBuilder(text.length());
    scan(text, kind, (meaning, start, end) -> {
      int length = meaning == null ? end - start : meaning.length();
      for (int i = 0; i < length; i++) { // no escape is shorter than what it stands for
        from[out.length()] = starts[meaning == null ? start + i : start];
        to[out.length()] = ends[meaning == null ? start + i : end - 1];
        out.append(meaning == null ? text.charAt(start + i) : meaning.charAt(i));
      }
    });
    return new DecodedText(out.toString(), from, to);
  }

  /** Hears pieces as they stand, with no meaning, and escapes with what they stand for. */
  private static void scan(String text, Escape kind, Sink sink) {
    int done = 0;
    for (int at = text.indexOf(kind.sign); at >= 0; at = text.indexOf(kind.sign, at)) {
      int end = kind.end(text, at);
      if (end > at) {
        sink.piece(null, done, at);
        sink.piece(meaning(text, at, end), at, end);
        done = end;
      }
      at = Math.max(end, at + 1);
    }
    sink.piece(null, done, text.length());
  }

  /** Where an escape of JSON ends (RFC 8259, section 7); its beginning if it is none. */
  private static int json(String text, int at) {
    if (at + 1 >= text.length()) {
      return at;
    }
    if (NAMED.indexOf(text.charAt(at + 1)) >= 0) {
      return at + 2;
    }
    return text.charAt(at + 1) == 'u' && areHex(text, at + 2, 4) ? at + 6 : at;
  }

  /** Where a reference of XML ends (XML 1.0, section 4.1); its beginning if it is none. */
  private static int reference(String text, int at) {
    if (at + 1 < text.length() && text.charAt(at + 1) == '#') {
      return numbered(text, at);
    }
    for (String name : REFERENCES.keySet()) {
      if (text.startsWith(name, at)) {
        return at + name.length();
      }
    }
    return at;
  }

  private static int numbered(String text, int at) {
    boolean hex = at + 2 < text.length() && (text.charAt(at + 2) | 0x20) == 'x';
    int first = hex ? at + 3 : at + 2;
    int end = first;
    while (end < text.length() && Character.digit(text.charAt(end), hex ? 16 : 10) >= 0) {
      end++;
    }
    boolean whole = end > first
        && end - first <= (hex ? 6 : 7)
        && end < text.length()
        && text.charAt(end) == ';';
    return whole ? end + 1 : at;
  }

  /**
   * Where the percent-encoded octets of one letter end (RFC 3986, section 2.1); its beginning if there is
   * none. Octets that are no letter may become one when something else is undone.
   */
  private static int octets(String text, int at) {
    if (!areHex(text, at + 1, 2)) {
      return at;
    }
    int first = Integer.parseInt(text, at + 1, at + 3, 16);
    int length = first < 0x80 ? 1 : first < 0xC2 ? 0 : first < 0xE0 ? 2 : first < 0xF0 ? 3 : 4;
    int end = at + 3 * length;
    for (int next = at + 3; next < end; next += 3) {
      boolean rest = next < text.length()
          && text.charAt(next) == '%'
          && areHex(text, next + 1, 2)
          && (Integer.parseInt(text, next + 1, next + 3, 16) & 0xC0) == 0x80;
      if (!rest) {
        return at;
      }
    }
    return end;
  }

  private static boolean areHex(String text, int from, int count) {
    for (int i = from; i < from + count; i++) {
      if (i >= text.length() || Character.digit(text.charAt(i), 16) < 0) {
        return false;
      }
    }
    return true;
  }

  private static String meaning(String text, int at, int end) {
    if (text.charAt(at) == '%') {
      byte[] bytes = new byte[(end - at) / 3];
      for (int i = 0; i < bytes.length; i++) {
        bytes[i] = (byte) Integer.parseInt(text, at + 3 * i + 1, at + 3 * i + 3, 16);
      }
      return new String(bytes, StandardCharsets.UTF_8);
    }
    if (text.charAt(at) == '\\') {
      return String.valueOf(
          end - at == 2
              ? MEANT.charAt(NAMED.indexOf(text.charAt(at + 1)))
              : (char) Integer.parseInt(text, at + 2, end, 16));
    }
    if (text.charAt(at + 1) != '#') {
      return REFERENCES.getOrDefault(text.substring(at, end), "");
    }
    boolean hex = (text.charAt(at + 2) | 0x20) == 'x';
    int point = Integer.parseInt(text, at + (hex ? 3 : 2), end - 1, hex ? 16 : 10);
    return Character.isValidCodePoint(point) ? Character.toString(point) : "\uFFFD";
  }

  /** A kind of escapes, by the sign that begins them. */
  enum Escape {
    JSON('\\') {
      @Override
      int end(String text, int at) {
        return json(text, at);
      }
    },
    XML('&') {
      @Override
      int end(String text, int at) {
        return reference(text, at);
      }
    },
    PERCENT('%') {
      @Override
      int end(String text, int at) {
        return octets(text, at);
      }
    };

    private final char sign;

    Escape(char sign) {
      this.sign = sign;
    }

    /** Where one that begins there ends; its beginning if none does. */
    abstract int end(String text, int at);
  }

  /** Hears the pieces of a text. */
  private interface Sink {
    void piece(@Nullable String meaning, int start, int end);
  }
}
