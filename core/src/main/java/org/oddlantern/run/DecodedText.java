package org.oddlantern.run;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A text with its escapes undone: those of JSON, character references of XML and percent-encoding, in one
 * pass, and for each letter where it stood before. Who reads a report may undo them, so secrets are looked
 * for in it too; the text itself is never told. Immutable.
 */
final class DecodedText {

  private static final String NAMED = "\"\\/bfnrt";
  private static final String MEANT = "\"\\/\b\f\n\r\t";
  private static final Map<String, String> REFERENCES =
      Map.of("amp", "&", "lt", "<", "gt", ">", "quot", "\"", "apos", "'");
  private static final int LONGEST_REFERENCE = 9;

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
  static String undone(String text) {
    if (text.indexOf('\\') < 0 && text.indexOf('&') < 0 && text.indexOf('%') < 0) {
      return text;
    }
    StringBuilder undone = new StringBuilder(text.length());
    scan(text, (meaning, start, end) -> {
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
  DecodedText decoded() {
    int[] from = new int[text.length()];
    int[] to = new int[text.length()];
    StringBuilder out = new StringBuilder(text.length());
    scan(text, (meaning, start, end) -> {
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
  private static void scan(String text, Sink sink) {
    int done = 0;
    for (int at = 0; at < text.length(); at++) {
      char c = text.charAt(at);
      if (c != '\\' && c != '&' && c != '%') {
        continue;
      }
      int end = c == '\\' ? json(text, at) : c == '&' ? reference(text, at) : octets(text, at);
      if (end > at) {
        sink.piece(null, done, at);
        sink.piece(meaning(text.substring(at, end)), at, end);
        done = end;
        at = end - 1;
      }
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
    int end = text.indexOf(';', at);
    if (end < 0 || end - at > LONGEST_REFERENCE) {
      return at;
    }
    String name = text.substring(at + 1, end);
    boolean known = REFERENCES.containsKey(name)
        || name.matches("#\\d{1,7}")
        || name.matches("#[xX][0-9a-fA-F]{1,6}");
    return known ? end + 1 : at;
  }

  /** Where a run of percent-encoded octets ends (RFC 3986, section 2.1). */
  private static int octets(String text, int at) {
    int end = at;
    while (end < text.length() && text.charAt(end) == '%' && areHex(text, end + 1, 2)) {
      end += 3;
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

  private static String meaning(String escape) {
    if (escape.charAt(0) == '%') {
      byte[] bytes = new byte[escape.length() / 3];
      for (int i = 0; i < bytes.length; i++) {
        bytes[i] = (byte) Integer.parseInt(escape.substring(3 * i + 1, 3 * i + 3), 16);
      }
      return new String(bytes, StandardCharsets.UTF_8);
    }
    if (escape.charAt(0) == '\\') {
      return escape.length() == 2
          ? String.valueOf(MEANT.charAt(NAMED.indexOf(escape.charAt(1))))
          : String.valueOf((char) Integer.parseInt(escape.substring(2), 16));
    }
    String name = escape.substring(1, escape.length() - 1);
    if (name.charAt(0) != '#') {
      return REFERENCES.getOrDefault(name, escape);
    }
    boolean hex = Character.toLowerCase(name.charAt(1)) == 'x';
    int point = hex ? Integer.parseInt(name.substring(2), 16) : Integer.parseInt(name.substring(1));
    return Character.isValidCodePoint(point) ? Character.toString(point) : "\uFFFD";
  }

  /** Hears the pieces of a text. */
  private interface Sink {
    void piece(@Nullable String meaning, int start, int end);
  }
}
