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
    if (name.isEmpty() || !name.chars().allMatch(Header::isTokenChar)) {
      throw new IllegalArgumentException("'" + name
          + "' cannot be the name of a header: letters, digits and !#$%&'*+-.^_`|~ are allowed");
    }
    if (value.chars().anyMatch(c -> c == '\r' || c == '\n' || c == 0)) {
      throw new IllegalArgumentException("the value of the header " + name
          + " has a line break in it, which would start another header");
    }
  }

  private static boolean isTokenChar(int c) {
    return c > ' ' && c < 127 && "\"(),/:;<=>?@[\\]{}".indexOf(c) < 0;
  }
}
