package org.oddlantern.internal.described;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * An address, taken apart: behind the service's own address, and as a whole.
 *
 * @param rest the path behind the service's own
 * @param path the whole path
 * @param query the query; empty if there is none
 * @param own whether it lies below the service's own address
 * @param template the address before arguments took their places; empty if nobody knows
 */
public record Where(String rest, String path, String query, boolean own, String template) {

  /**
   * An address.
   *
   * @param url the address
   * @param base the address of the service
   * @param template the address before arguments took their places; empty if nobody knows
   */
  public static Where of(String url, String base, String template) {
    int hash = url.indexOf('#');
    String whole = hash < 0 ? url : url.substring(0, hash);
    int mark = whole.indexOf('?');
    String query = mark < 0 ? "" : whole.substring(mark + 1);
    String path = path(mark < 0 ? whole : whole.substring(0, mark));
    String trunk = path(base).replaceFirst("/$", "");
    boolean below = path.startsWith(trunk)
        && (path.length() == trunk.length() || path.charAt(trunk.length()) == '/');
    String rest = below ? path.substring(trunk.length()) : path;
    return new Where(
        rest.isEmpty() ? "/" : rest, path, query, below && isSameHost(url, base), template);
  }

  /** The path as a description would write it. */
  String described() {
    String path = template.replaceFirst("[?#].*", "");
    return path.startsWith("/") ? path : rest;
  }

  private static boolean isSameHost(String url, String base) {
    int end = base.indexOf('/', base.indexOf("://") + 3);
    String host = end < 0 ? base : base.substring(0, end);
    return url.regionMatches(true, 0, host, 0, host.length());
  }

  private static String path(String url) {
    int scheme = url.indexOf("://");
    int slash = url.indexOf('/', scheme < 0 ? 0 : scheme + 3);
    return slash < 0 ? "" : url.substring(slash);
  }

  /** The parameters of the query, or of a form that is written like one, decoded. */
  static Map<String, List<String>> parameters(String text) {
    Map<String, List<String>> parameters = new LinkedHashMap<>();
    for (String pair : text.split("&", -1)) {
      if (!pair.isEmpty()) {
        int equals = pair.indexOf('=');
        String name = decoded(equals < 0 ? pair : pair.substring(0, equals));
        parameters
            .computeIfAbsent(name, any -> new ArrayList<>())
            .add(equals < 0 ? "" : pair.substring(equals + 1));
      }
    }
    return parameters;
  }

  static String decoded(String text) {
    try {
      return URLDecoder.decode(text, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return text; // a per cent sign that stands for itself
    }
  }
}
