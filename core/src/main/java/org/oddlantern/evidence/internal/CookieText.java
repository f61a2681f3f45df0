package org.oddlantern.evidence.internal;

import java.util.regex.Pattern;

/** Lines that set a cookie, as they came. */
public final class CookieText {

  private static final Pattern EXPIRES =
      Pattern.compile(";\\s*expires\\s*=[^;]*", Pattern.CASE_INSENSITIVE);

  private CookieText() {}

  /**
   * Where the pair of name and value ends: at the first semicolon that does not stand in quotes around the
   * value.
   */
  public static int endOfPair(String line) {
    int equals = line.indexOf('=');
    int semicolon = line.indexOf(';');
    if (equals >= 0 && (semicolon < 0 || equals < semicolon)) {
      int value = equals + 1;
      while (value < line.length() && line.charAt(value) == ' ') {
        value++;
      }
      int close =
          value < line.length() && line.charAt(value) == '"' ? line.indexOf('"', value + 1) : -1;
      semicolon = close < 0 ? semicolon : line.indexOf(';', close);
    }
    return semicolon < 0 ? line.length() : semicolon;
  }

  /** The value as it came, quotes included. */
  public static String value(String line) {
    String pair = line.substring(0, endOfPair(line));
    return pair.substring(pair.indexOf('=') + 1).strip();
  }

  /** The line without a time of expiry, which makes a cookie of the session (RFC 6265, section 5.2.1). */
  public static String withoutExpiry(String line) {
    return EXPIRES.matcher(line).replaceAll("");
  }
}
