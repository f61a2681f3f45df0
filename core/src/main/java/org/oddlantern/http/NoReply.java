package org.oddlantern.http;

import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.TransportFault;

/**
 * A call that got no whole reply: refused, too slow, cut off, not HTTP. The message says which, for
 * which call and after how long; the case is errored.
 */
public final class NoReply extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private transient @Nullable Exchange late;

  NoReply(String message) {
    super(message);
  }

  NoReply(String message, Throwable cause) {
    super(message, cause);
  }

  /** Of an exchange that was recorded. */
  NoReply(String message, TransportFault cause, Exchange exchange) {
    super(message, cause);
    this.late = cause.isLate() ? exchange : null;
  }

  /** The exchange, if nothing was wrong with it but the time it took. */
  @Nullable
  Exchange late() {
    return late;
  }
}
