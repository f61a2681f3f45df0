package org.oddlantern.run;

import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text with its escapes undone: those of JSON, character references of XML and percent-encoding, in one
 * pass, and for each letter where it stood before. Who reads a report may undo them, so secrets are looked
 * for in it too; the text itself is never told. Immutable.
 */
final class DecodedText {

  private static final Pattern ESCAPE = Pattern.compile("\\\\(?:u([0-9a-fA-F]{4})|([\"\\\\/bfnrt]))"
      + "|&(?:#(\\d{1,7})|#[xX]([0-9a-fA-F]{1,6})|(amp|lt|gt|quot|apos));"
      + "|((?:%[0-9a-fA-F]{2})+)");

  private static final String NAMED = "\"\\/bfnrt";
  private static final String MEANT = "\"\\/\b\f\n\r\t";

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

  /** Whether there may be escapes in a text. */
  static boolean hasEscapes(String text) {
    return text.indexOf('\\') >= 0 || text.indexOf('&') >= 0 || text.indexOf('%') >= 0;
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

  /** The same with one more layer undone; itself if there are no escapes. */
  DecodedText decoded() {
    Matcher escapes = ESCAPE.matcher(text);
    if (!escapes.find()) {
      return this;
    }
    Writing writing = new Writing(text.length());
    int done = 0;
    do {
      writing.copy(done, escapes.start());
      writing.put(meaning(escapes), escapes.start(), escapes.end());
      done = escapes.end();
    } while (escapes.find());
    writing.copy(done, text.length());
    return writing.made();
  }

  private static String meaning(Matcher escape) {
    if (escape.group(1) != null) {
      return String.valueOf((char) Integer.parseInt(escape.group(1), 16));
    }
    if (escape.group(2) != null) {
      return String.valueOf(MEANT.charAt(NAMED.indexOf(escape.group(2))));
    }
    if (escape.group(3) != null) {
      return point(Integer.parseInt(escape.group(3)));
    }
    if (escape.group(4) != null) {
      return point(Integer.parseInt(escape.group(4), 16));
    }
    if (escape.group(5) != null) {
      return switch (escape.group(5)) {
        case "amp" -> "&";
        case "lt" -> "<";
        case "gt" -> ">";
        case "quot" -> "\"";
        default -> "'";
      };
    }
    return octets(escape.group(6));
  }

  private static String point(int point) {
    return Character.isValidCodePoint(point) ? Character.toString(point) : "\uFFFD";
  }

  private static String octets(String encoded) {
    byte[] bytes = new byte[encoded.length() / 3];
    for (int i = 0; i < bytes.length; i++) {
      bytes[i] = (byte) Integer.parseInt(encoded.substring(3 * i + 1, 3 * i + 3), 16);
    }
    return new String(bytes, StandardCharsets.UTF_8);
  }

  /** The decoded text while it is written. */
  private final class Writing {
    private final StringBuilder out;
    private final int[] from;
    private final int[] to;

    Writing(int length) {
      out = new StringBuilder(length);
      from = new int[length];
      to = new int[length];
    }

    void copy(int start, int end) {
      for (int i = start; i < end; i++) {
        put(text.charAt(i), starts[i], ends[i]);
      }
    }

    /** No escape is shorter than what it stands for. */
    void put(String meaning, int start, int end) {
      for (int i = 0; i < meaning.length(); i++) {
        put(meaning.charAt(i), starts[start], ends[end - 1]);
      }
    }

    private void put(char c, int start, int end) {
      from[out.length()] = start;
      to[out.length()] = end;
      out.append(c);
    }

    DecodedText made() {
      return new DecodedText(out.toString(), from, to);
    }
  }
}
