package org.oddlantern.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.oddlantern.evidence.internal.CookieText;

/**
 * A cookie that a reply sets (RFC 6265, section 4.1).
 *
 * @param name its name
 * @param value its value, without quotes around it
 * @param attributes what else is said of it, names in any case; an attribute without a value has an
 *     empty one
 */
public record Cookie(String name, String value, Map<String, String> attributes) {

  /**
   * The cookies that a reply sets.
   *
   * @param headers the headers of the reply
   * @return the cookies in order; what is no cookie is left out
   */
  public static List<Cookie> in(Headers headers) {
    List<Cookie> cookies = new ArrayList<>();
    headers.all("Set-Cookie").forEach(line -> parse(line).ifPresent(cookies::add));
    return cookies;
  }

  private static Optional<Cookie> parse(String line) {
    int end = CookieText.endOfPair(line);
    String pair = line.substring(0, end);
    String[] pieces = line.substring(end).split(";", -1);
    int equals = pair.indexOf('=');
    if (equals < 1) {
      return Optional.empty();
    }
    Map<String, String> attributes = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    for (int i = 1; i < pieces.length; i++) {
      int sign = pieces[i].indexOf('=');
      String name = (sign < 0 ? pieces[i] : pieces[i].substring(0, sign)).trim();
      attributes.putIfAbsent(name, sign < 0 ? "" : pieces[i].substring(sign + 1).trim());
    }
    String value = pair.substring(equals + 1).trim();
    boolean quoted = value.length() > 1 && value.startsWith("\"") && value.endsWith("\"");
    return Optional.of(new Cookie(
        pair.substring(0, equals).trim(),
        quoted ? value.substring(1, value.length() - 1) : value,
        attributes));
  }
}
