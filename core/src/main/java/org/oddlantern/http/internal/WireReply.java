package org.oddlantern.http.internal;

import org.oddlantern.evidence.Headers;

/**
 * A reply as it came.
 *
 * @param status the status code
 * @param reason the reason phrase as sent; may be empty
 * @param headers the headers in order, as sent
 * @param body the bytes, content encodings undone; empty if there are none
 */
public record WireReply(int status, String reason, Headers headers, byte[] body) {

  /**
   * Status and reason in one.
   *
   * @return {@code 404 Not Found}
   */
  public String statusLine() {
    return reason.isEmpty() ? String.valueOf(status) : status + " " + reason;
  }
}
