package org.oddlantern.http.internal;

import java.net.URI;
import java.time.Instant;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.CookieText;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.BasicCookieStore;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.Cookie;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.CookieOrigin;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.CookiePriorityComparator;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.CookieSpec;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.MalformedCookieException;
import org.oddlantern.shaded.org.apache.hc.client5.http.cookie.SetCookie;
import org.oddlantern.shaded.org.apache.hc.client5.http.impl.cookie.RFC6265LaxSpec;
import org.oddlantern.shaded.org.apache.hc.core5.http.message.BasicHeader;

/** The cookies one case was given, and which of them go where (RFC 6265). Thread-safe. */
public final class CookieJar {

  private static final CookieSpec RULES = new RFC6265LaxSpec();

  private final BasicCookieStore store = new BasicCookieStore();
  private final IdentityHashMap<CookieJar, CookieJar> borrowed = new IdentityHashMap<>();
  private volatile boolean empty = true;

  /** Cookies as somebody else has them when this is first asked; what is kept in them stays here. */
  synchronized CookieJar borrowed(CookieJar other) {
    return borrowed.computeIfAbsent(other, CookieJar::copy);
  }

  private CookieJar copy() {
    CookieJar copy = new CookieJar();
    store.getCookies().forEach(copy.store::addCookie);
    copy.empty = empty;
    return copy;
  }

  /** Keeps what a reply from that address sets; what the rules refuse is passed over. */
  public void keep(URI from, Headers headers) {
    if (headers.first("Set-Cookie").isEmpty()) {
      return;
    }
    CookieOrigin origin = origin(from);
    for (String line : headers.all("Set-Cookie")) {
      if (!kept(line, origin)) {
        kept(CookieText.withoutExpiry(line), origin);
      }
    }
  }

  /** What cannot be read of a cookie is passed over, and so is a cookie that must not come from there. */
  private boolean kept(String line, CookieOrigin origin) {
    try {
      for (Cookie cookie : RULES.parse(new BasicHeader("Set-Cookie", line), origin)) {
        RULES.validate(cookie, origin);
        if (cookie instanceof SetCookie written) {
          written.setValue(CookieText.value(line)); // it goes back as it came
        }
        store.addCookie(cookie);
        empty = false;
      }
      return true;
    } catch (MalformedCookieException e) {
      return false;
    }
  }

  /** The pairs for the Cookie header of a request to that address. */
  public List<String> pairs(URI to) {
    if (empty) {
      return List.of();
    }
    CookieOrigin origin = origin(to);
    Instant now = Instant.now();
    return store.getCookies().stream()
        .filter(cookie -> !cookie.isExpired(now) && RULES.match(cookie, origin))
        .sorted(CookiePriorityComparator.INSTANCE) // longer paths first, then older ones
        .map(cookie -> cookie.getName() + "=" + cookie.getValue())
        .toList();
  }

  private static CookieOrigin origin(URI uri) {
    boolean secure = "https".equalsIgnoreCase(uri.getScheme());
    int port = uri.getPort() >= 0 ? uri.getPort() : secure ? 443 : 80;
    String path = uri.getRawPath() == null || uri.getRawPath().isEmpty() ? "/" : uri.getRawPath();
    return new CookieOrigin(
        String.valueOf(uri.getHost()).toLowerCase(Locale.ROOT), port, path, secure);
  }
}
