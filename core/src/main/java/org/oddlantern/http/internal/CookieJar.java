package org.oddlantern.http.internal;

import java.net.URI;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.hc.client5.http.cookie.BasicCookieStore;
import org.apache.hc.client5.http.cookie.Cookie;
import org.apache.hc.client5.http.cookie.CookieOrigin;
import org.apache.hc.client5.http.cookie.CookieSpec;
import org.apache.hc.client5.http.cookie.MalformedCookieException;
import org.apache.hc.client5.http.impl.cookie.RFC6265LaxSpec;
import org.apache.hc.core5.http.message.BasicHeader;
import org.oddlantern.http.Headers;

/** The cookies one case was given, and which of them go where (RFC 6265). Thread-safe. */
public final class CookieJar {

  private final CookieSpec rules = new RFC6265LaxSpec();
  private final BasicCookieStore store = new BasicCookieStore();
  private volatile boolean empty = true;

  /** Keeps what a reply from that address sets; what the rules refuse is passed over. */
  public void keep(URI from, Headers headers) {
    if (headers.first("Set-Cookie").isEmpty()) {
      return;
    }
    CookieOrigin origin = origin(from);
    for (String line : headers.all("Set-Cookie")) {
      try {
        for (Cookie cookie : rules.parse(new BasicHeader("Set-Cookie", line), origin)) {
          rules.validate(cookie, origin);
          store.addCookie(cookie);
          empty = false;
        }
      } catch (MalformedCookieException e) {
        // a browser passes over such a cookie too; the reply still shows it
      }
    }
  }

  /** The value of the Cookie header for that address; empty if none goes there. */
  public Optional<String> header(URI to) {
    if (empty) {
      return Optional.empty();
    }
    CookieOrigin origin = origin(to);
    Instant now = Instant.now();
    List<Cookie> matching = new ArrayList<>();
    for (Cookie cookie : store.getCookies()) {
      if (!cookie.isExpired(now) && rules.match(cookie, origin)) {
        matching.add(cookie);
      }
    }
    return matching.isEmpty()
        ? Optional.empty()
        : Optional.of(matching.stream()
            .map(cookie -> cookie.getName() + "=" + cookie.getValue())
            .collect(Collectors.joining("; ")));
  }

  private static CookieOrigin origin(URI uri) {
    boolean secure = "https".equalsIgnoreCase(uri.getScheme());
    int port = uri.getPort() >= 0 ? uri.getPort() : secure ? 443 : 80;
    String path = uri.getRawPath() == null || uri.getRawPath().isEmpty() ? "/" : uri.getRawPath();
    return new CookieOrigin(
        String.valueOf(uri.getHost()).toLowerCase(Locale.ROOT), port, path, secure);
  }
}
