package org.oddlantern.http;

/**
 * One header field.
 *
 * @param name its name, as it was written
 * @param value its value, as it was written
 */
public record Header(String name, String value) {

  /** Refuses what cannot stand in a header (RFC 9110, section 5). */
  public Header {
    if (!isToken(name)) {
      throw new IllegalArgumentException("'" + name
          + "' cannot be the name of a header: letters, digits and !#$%&'*+-.^_`|~ are allowed");
    }
    if (value.indexOf('\r') >= 0 || value.indexOf('\n') >= 0 || value.indexOf(0) >= 0) {
      throw new IllegalArgumentException("the value of the header " + name
          + " has a line break in it, which would start another header");
    }
  }

  /** Whether a text is a token (RFC 9110, section 5.6.2), as names of headers and methods are. */
  static boolean isToken(String name) {
    for (int i = 0; i < name.length(); i++) {
      if (!isTokenChar(name.charAt(i))) {
        return false;
      }
    }
    return !name.isEmpty();
  }

  private static boolean isTokenChar(int c) {
    return c > ' ' && c < 127 && "\"(),/:;<=>?@[\\]{}".indexOf(c) < 0;
  }
}
