package org.oddlantern.schema.internal.text;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** URIs (RFC 3986), IRIs (RFC 3987) and templates of them (RFC 6570). */
final class Links {

  /** RFC 3986, appendix B: takes a reference apart. */
  private static final Pattern PARTS = Pattern.compile(
      "(?:([^:/?#]+):)?(?://([^/?#]*))?([^?#]*)(?:\\?([^#]*))?(?:#(.*))?", Pattern.DOTALL);

  private static final Pattern SCHEME = Pattern.compile("[A-Za-z][A-Za-z0-9+.-]*");
  private static final Pattern PORT = Pattern.compile("(.*?)(?::([0-9]*))?");
  private static final Pattern FUTURE =
      Pattern.compile("[vV][0-9a-fA-F]+\\.[A-Za-z0-9._~!$&'()*+,;=:-]+");

  private static final Pattern EXPRESSION = Pattern.compile(
      "[+#./;?&=,!@|]?VAR(?::[1-9][0-9]{0,3}|\\*)?(?:,VAR(?::[1-9][0-9]{0,3}|\\*)?)*"
          .replace(
              "VAR", "(?:[A-Za-z0-9_]|%[0-9a-fA-F]{2})(?:\\.?(?:[A-Za-z0-9_]|%[0-9a-fA-F]{2}))*"));

  private static final String SUB_DELIMITERS = "!$&'()*+,;=";

  private Links() {}

  static boolean isUri(String text) {
    return is(text, true, false);
  }

  static boolean isUriReference(String text) {
    return is(text, false, false);
  }

  static boolean isIri(String text) {
    return is(text, true, true);
  }

  static boolean isIriReference(String text) {
    return is(text, false, true);
  }

  static String advice(String text) {
    if (text.indexOf(' ') >= 0) {
      return "a space is written %20";
    }
    return text.startsWith("/") || !text.contains(":")
        ? "it has no scheme, like https:, so it is a reference only"
        : "";
  }

  private static boolean is(String text, boolean absolute, boolean anyScript) {
    Matcher parts = PARTS.matcher(text);
    if (!parts.matches()) {
      return false;
    }
    String scheme = parts.group(1);
    String authority = parts.group(2);
    String path = parts.group(3);
    if (scheme == null ? absolute : !SCHEME.matcher(scheme).matches()) {
      return false;
    }
    int colon = path.indexOf(':');
    int slash = path.indexOf('/');
    boolean likeScheme = colon >= 0 && (slash < 0 || colon < slash); // RFC 3986, section 4.2
    boolean wrongPath = authority != null && !path.isEmpty() && path.charAt(0) != '/'
        || authority == null && path.startsWith("//")
        || authority == null && scheme == null && likeScheme;
    return !wrongPath
        && (authority == null || isAuthority(authority, anyScript))
        && consistsOf(path, SUB_DELIMITERS + ":@/", anyScript)
        && consistsOf(parts.group(4), SUB_DELIMITERS + ":@/?", anyScript)
        && consistsOf(parts.group(5), SUB_DELIMITERS + ":@/?", anyScript);
  }

  private static boolean isAuthority(String authority, boolean anyScript) {
    int at = authority.lastIndexOf('@');
    if (at >= 0 && !consistsOf(authority.substring(0, at), SUB_DELIMITERS + ":", anyScript)) {
      return false;
    }
    String host = authority.substring(at + 1);
    if (host.startsWith("[")) {
      int end = host.indexOf(']');
      String literal = end < 0 ? "" : host.substring(1, end);
      return (Addresses.isVersion6(literal) || FUTURE.matcher(literal).matches())
          && host.substring(end + 1).matches("(:[0-9]*)?");
    }
    Matcher port = PORT.matcher(host);
    return port.matches() && consistsOf(port.group(1), SUB_DELIMITERS, anyScript);
  }

  /** Whether there are only unreserved characters, those given, and bytes with percent signs. */
  private static boolean consistsOf(@Nullable String text, String others, boolean anyScript) {
    for (int i = 0; text != null && i < text.length(); i++) {
      char c = text.charAt(i);
      boolean plain = c >= 'a' && c <= 'z'
          || c >= 'A' && c <= 'Z'
          || c >= '0' && c <= '9'
          || "-._~".indexOf(c) >= 0
          || others.indexOf(c) >= 0
          || anyScript && c >= 0xA0;
      boolean encoded = c == '%'
          && i + 2 < text.length()
          && Character.digit(text.charAt(i + 1), 16) >= 0
          && Character.digit(text.charAt(i + 2), 16) >= 0;
      if (!plain && !encoded) {
        return false;
      }
    }
    return true;
  }

  static boolean isTemplate(String text) {
    int at = 0;
    while (at < text.length()) {
      char c = text.charAt(at);
      if (c == '{') {
        int end = text.indexOf('}', at);
        if (end < 0 || !EXPRESSION.matcher(text.substring(at + 1, end)).matches()) {
          return false;
        }
        at = end;
      } else if (c <= ' ' || "\"'<>\\^`|}".indexOf(c) >= 0) {
        return false;
      }
      at++;
    }
    return true;
  }
}
