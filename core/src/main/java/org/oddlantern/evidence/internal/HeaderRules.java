package org.oddlantern.evidence.internal;

import java.util.BitSet;
import java.util.Locale;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.Needed;

/** What may stand in a header field that is sent (RFC 9110, section 5). */
public final class HeaderRules {

  private static final BitSet TOKEN = tokenCharacters();

  private HeaderRules() {}

  /** A header to be sent; refuses what cannot stand in one (RFC 9110, section 5). */
  public static Header toSend(String name, String value) {
    if (!isToken(name)) {
      throw new IllegalArgumentException("'" + name
          + "' cannot be the name of a header: letters, digits and !#$%&'*+-.^_`|~ are allowed");
    }
    return new Header(name, checkedValue(name, value));
  }

  /** A value as it may stand in a header. */
  public static String checkedValue(String name, String value) {
    Needed.of(value, "the value of the header " + name);
    if (value.indexOf('\r') >= 0 || value.indexOf('\n') >= 0 || value.indexOf(0) >= 0) {
      throw new IllegalArgumentException("the value of the header " + name
          + " has a line break or NUL in it, which would start another header");
    }
    return value;
  }

  /** Whether a text is a token (RFC 9110, section 5.6.2), as names of headers and methods are. */
  public static boolean isToken(String name) {
    Needed.of(name, "the name of a header, or a method,");
    for (int i = 0; i < name.length(); i++) {
      char c = name.charAt(i);
      boolean letter = (c | 0x20) >= 'a' && (c | 0x20) <= 'z';
      if (!letter && !TOKEN.get(c)) {
        return false;
      }
    }
    return !name.isEmpty();
  }

  private static BitSet tokenCharacters() {
    BitSet characters = new BitSet(128);
    for (char c = '!'; c < 127; c++) {
      characters.set(c, "\"(),/:;<=>?@[\\]{}".indexOf(c) < 0);
    }
    return characters;
  }

  /**
   * A name in one way of writing, since case means nothing in names (RFC 9110, section 5.1).
   *
   * @param name a name as it came
   * @return {@code Content-Type}
   */
  public static String capitalised(String name) {
    StringBuilder text = new StringBuilder(name.toLowerCase(Locale.ROOT));
    for (int i = 0; i < text.length(); i++) {
      if (i == 0 || text.charAt(i - 1) == '-') {
        text.setCharAt(i, Character.toUpperCase(text.charAt(i)));
      }
    }
    return text.toString();
  }
}
