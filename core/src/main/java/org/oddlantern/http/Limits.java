package org.oddlantern.http;

import java.time.Duration;
import org.oddlantern.http.internal.Listening;
import org.oddlantern.internal.Needed;

/** Refuses limits that make no sense. */
final class Limits {

  private static final int MOST_REDIRECTS = 100;

  private Limits() {}

  static Duration positive(Duration limit) {
    Needed.of(limit, "a limit");
    if (limit.isZero() || limit.isNegative()) {
      throw new IllegalArgumentException("a timeout must be more than zero, but was " + limit);
    }
    return limit;
  }

  static int redirects(int limit) {
    if (limit < 0 || limit > MOST_REDIRECTS) {
      throw new IllegalArgumentException("redirects can be followed 0 to " + MOST_REDIRECTS
          + " times, not " + limit + "; 0 shows them as they are");
    }
    return limit;
  }

  static Listening listening(int events, Duration limit) {
    Duration most = positive(limit);
    if (events < 1) {
      throw new IllegalArgumentException("a stream is read for 1 event or more, not " + events);
    }
    return new Listening(events, most);
  }

  static int atOnce(int count) {
    if (count < 2 || count > AtOnce.MOST) {
      throw new IllegalArgumentException(
          "2 to " + AtOnce.MOST + " calls can be sent at once, not " + count);
    }
    return count;
  }
}
