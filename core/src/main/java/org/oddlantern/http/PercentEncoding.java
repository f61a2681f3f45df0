package org.oddlantern.http;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;

/** Texts as they are in addresses and forms. */
final class PercentEncoding {

  private static final char[] HEX = "0123456789ABCDEF".toCharArray();
  private static final String UNRESERVED = "-._~";

  private PercentEncoding() {}

  /** For a path or a query (RFC 3986, section 2). */
  static String uri(String text) {
    StringBuilder encoded = new StringBuilder();
    for (byte octet : text.getBytes(StandardCharsets.UTF_8)) {
      char c = (char) (octet & 0xff);
      if (c < 128 && (Character.isLetterOrDigit(c) || UNRESERVED.indexOf(c) >= 0)) {
        encoded.append(c);
      } else {
        encoded.append('%').append(HEX[c >> 4]).append(HEX[c & 15]);
      }
    }
    return encoded.toString();
  }

  /** For a form (the URL standard, section 5.2): a space is a plus sign. */
  static String form(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }
}
