package org.oddlantern.schema.internal;

import java.net.URI;
import java.net.URISyntaxException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;

/** Addresses of schemas (RFC 3986). */
public final class Uris {

  private Uris() {}

  /** The address without its fragment. */
  public static String withoutFragment(String uri) {
    int hash = uri.indexOf('#');
    return hash < 0 ? uri : uri.substring(0, hash);
  }

  /** The fragment, decoded; empty if there is none. */
  public static String fragment(String uri) {
    int hash = uri.indexOf('#');
    return hash < 0
        ? ""
        : URLDecoder.decode(uri.substring(hash + 1).replace("+", "%2B"), StandardCharsets.UTF_8);
  }

  /**
   * A reference without fragment, from a base.
   *
   * @throws URISyntaxException if it is no reference
   */
  public static String resolve(String base, String reference) throws URISyntaxException {
    if (reference.isEmpty()) {
      return base;
    }
    URI relative = new URI(reference.replace(" ", "%20"));
    if (relative.isAbsolute()) {
      return relative.toString();
    }
    URI from = new URI(base.replace(" ", "%20"));
    if (from.isOpaque()) {
      return reference;
    }
    if (from.getRawPath() == null || from.getRawPath().isEmpty()) {
      from = new URI(from + "/");
    }
    return from.resolve(relative).toString();
  }
}
