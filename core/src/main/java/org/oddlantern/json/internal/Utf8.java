package org.oddlantern.json.internal;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** Tells whether bytes are UTF-8 (RFC 3629), and of those that are not what they may be instead. */
final class Utf8 {

  private static final int NONE = -1;

  private Utf8() {}

  /** The index of the first byte that is no UTF-8; less than 0 if all are. */
  static int firstBad(byte[] bytes) {
    int at = 0;
    while (at < bytes.length) {
      if (bytes[at] >= 0) {
        at++;
        continue;
      }
      int length = length(bytes, at);
      if (length == 0) {
        return at;
      }
      at += length;
    }
    return NONE;
  }

  /** How many bytes the letter has that begins there; 0 if none does (Unicode, table 3-7). */
  private static int length(byte[] bytes, int at) {
    int first = bytes[at] & 0xFF;
    int second = octet(bytes, at + 1);
    boolean begun = switch (first) {
      case 0xE0 -> second >= 0xA0 && second <= 0xBF;
      case 0xED -> second >= 0x80 && second <= 0x9F;
      case 0xF0 -> second >= 0x90 && second <= 0xBF;
      case 0xF4 -> second >= 0x80 && second <= 0x8F;
      default -> first >= 0xC2 && first < 0xF4 && isRest(second);
    };
    int length = first < 0xE0 ? 2 : first < 0xF0 ? 3 : 4;
    boolean whole = begun
        && (length < 3 || isRest(octet(bytes, at + 2)))
        && (length < 4 || isRest(octet(bytes, at + 3)));
    return whole ? length : 0;
  }

  /** Why JSON in these bytes cannot be read; empty if they are UTF-8. */
  static String problem(byte[] bytes) {
    String wide = wide(bytes);
    if (!wide.isEmpty()) {
      return "it is " + wide + ", and JSON is always UTF-8 (RFC 8259, section 8.1)";
    }
    int bad = firstBad(bytes);
    return bad < 0
        ? ""
        : String.format(
            Locale.ROOT,
            "byte %d of the body (0x%02X) is no UTF-8, as JSON must be (RFC 8259, section 8.1); %s",
            bad + 1,
            bytes[bad] & 0xFF,
            instead(bytes, bad));
  }

  /** The text before the first byte that is no UTF-8; all of it if there is none. */
  static String before(byte[] bytes) {
    int bad = firstBad(bytes);
    return new String(bytes, 0, bad < 0 ? bytes.length : bad, StandardCharsets.UTF_8);
  }

  /** UTF-16 or UTF-32, by its mark or by the zeros around the first letter, which in JSON is ASCII. */
  private static String wide(byte[] bytes) {
    int first = octet(bytes, 0);
    int second = octet(bytes, 1);
    boolean wide = bytes.length > 1
        && (first == 0
            || second == 0
            || first == 0xFE && second == 0xFF
            || first == 0xFF && second == 0xFE);
    if (!wide) {
      return "";
    }
    boolean four =
        octet(bytes, 2) == 0 && (first == 0 ? second == 0 || second == 0xFE : octet(bytes, 3) == 0);
    return four ? "UTF-32" : "UTF-16";
  }

  private static String instead(byte[] bytes, int bad) {
    int first = bytes[bad] & 0xFF;
    if (first == 0xED && octet(bytes, bad + 1) >= 0xA0) {
      return "it begins half of a surrogate pair that was encoded by itself";
    }
    int needed = first < 0xC2 || first > 0xF4 ? 0 : first < 0xE0 ? 2 : first < 0xF0 ? 3 : 4;
    boolean cut = needed > bytes.length - bad;
    for (int at = bad + 1; at < bytes.length; at++) {
      cut &= isRest(bytes[at] & 0xFF);
    }
    if (cut) {
      return String.format(
          Locale.ROOT,
          "a letter of %d bytes begins there, and the body ends after %d",
          needed,
          bytes.length - bad);
    }
    boolean windows = first >= 0x80 && first <= 0x9F && Charset.isSupported("windows-1252");
    Charset other = windows ? Charset.forName("windows-1252") : StandardCharsets.ISO_8859_1;
    int point = new String(bytes, bad, 1, other).codePointAt(0);
    return "in %s it would be %s".formatted(other.name(), Visible.shown(point));
  }

  private static boolean isRest(int octet) {
    return octet >= 0x80 && octet <= 0xBF;
  }

  private static int octet(byte[] bytes, int at) {
    return at < bytes.length ? bytes[at] & 0xFF : NONE;
  }
}
