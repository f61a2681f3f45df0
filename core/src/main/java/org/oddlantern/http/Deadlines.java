package org.oddlantern.http;

import java.time.Duration;

/** The limits that hold where nobody set others. */
final class Deadlines {

  static final Duration CONNECT = Duration.ofSeconds(5);
  static final Duration CALL = Duration.ofSeconds(30);

  private Deadlines() {}

  static Duration positive(Duration limit) {
    if (limit.isZero() || limit.isNegative()) {
      throw new IllegalArgumentException("a deadline must be more than zero, but was " + limit);
    }
    return limit;
  }
}
