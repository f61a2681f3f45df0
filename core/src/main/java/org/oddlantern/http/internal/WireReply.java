package org.oddlantern.http.internal;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
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

  /**
   * How long it asks to wait before the next call ({@code Retry-After}, RFC 9110, section 10.2.3).
   *
   * @param now the time
   * @return the time to wait; zero if it does not ask, or not in a way that can be read
   */
  public Duration retryAfter(Instant now) {
    String value = headers.first("Retry-After").orElse("").strip();
    if (value.matches("\\d{1,9}")) {
      return Duration.ofSeconds(Long.parseLong(value));
    }
    try {
      Instant until = Instant.from(DateTimeFormatter.RFC_1123_DATE_TIME.parse(value));
      return until.isAfter(now) ? Duration.between(now, until) : Duration.ZERO;
    } catch (DateTimeParseException e) {
      return Duration.ZERO;
    }
  }
}
