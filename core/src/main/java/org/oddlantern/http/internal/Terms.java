package org.oddlantern.http.internal;

import java.net.URI;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * Under what terms a request travels.
 *
 * @param timeout from sending until the last byte of the reply
 * @param connect how long a connection may take to be made
 * @param body bytes of a reply's body, content encodings undone, after which reading stops
 * @param security who is trusted and who we are, over TLS
 * @param proxy the HTTP proxy to go through; null for none
 * @param listening how far a reply without an end is read; null for a reply that is read to its end
 */
public record Terms(
    Duration timeout,
    Duration connect,
    long body,
    Security security,
    @Nullable URI proxy,
    @Nullable Listening listening) {

  /** What holds where nobody said otherwise. */
  public static final Terms STANDARD = new Terms(
      Duration.ofSeconds(30), Duration.ofSeconds(5), 64L << 20, Security.STANDARD, null, null);

  /** These terms with another timeout. */
  public Terms within(Duration limit) {
    return new Terms(limit, connect, body, security, proxy, listening);
  }

  /** These terms with another limit for making a connection. */
  public Terms connectedWithin(Duration limit) {
    return new Terms(timeout, limit, body, security, proxy, listening);
  }

  /** These terms with another limit for bodies. */
  public Terms bodyUpTo(long bytes) {
    return new Terms(timeout, connect, bytes, security, proxy, listening);
  }

  /** These terms with other security. */
  public Terms securedBy(Security other) {
    return new Terms(timeout, connect, body, other, proxy, listening);
  }

  /** These terms by way of a proxy. */
  public Terms through(URI other) {
    return new Terms(timeout, connect, body, security, other, listening);
  }

  /** These terms with a reply that is read only so far. */
  public Terms listening(@Nullable Listening other) {
    return new Terms(timeout, connect, body, security, proxy, other);
  }
}
