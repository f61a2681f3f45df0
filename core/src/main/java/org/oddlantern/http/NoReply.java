package org.oddlantern.http;

/**
 * A call that got no whole reply: refused, too slow, cut off, not HTTP. The message says which, for
 * which call and after how long; the case is errored.
 */
public final class NoReply extends RuntimeException {

  private static final long serialVersionUID = 1L;

  NoReply(String message) {
    super(message);
  }

  NoReply(String message, Throwable cause) {
    super(message, cause);
  }
}
