package org.oddlantern.standin;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Requests in the order in which they were received; of very many, or very large ones, the last.
 * Thread-safe.
 */
final class Arrivals {

  private static final int MOST = 100_000;
  private static final long LARGEST = 64L << 20;

  private final Deque<Arrival> last = new ArrayDeque<>();
  private long bytes;
  private long forgotten;

  synchronized void add(IncomingRequest request, Instant at) {
    last.add(new Arrival(request, at));
    bytes += request.body().length;
    while (last.size() > MOST || bytes > LARGEST) {
      bytes -= last.remove().request.body().length;
      forgotten++;
    }
  }

  /**
   * Those received since a moment.
   *
   * @param since the moment; null for the beginning
   * @throws IllegalStateException if some of all that were received are no longer known
   */
  synchronized List<IncomingRequest> since(@Nullable Instant since) {
    if (forgotten > 0) {
      throw new IllegalStateException(
          "so many requests were received that the first %,d are no longer known; ask about fewer of them"
              .formatted(forgotten));
    }
    return last.stream()
        .filter(one -> since == null || !one.at.isBefore(since))
        .map(Arrival::request)
        .toList();
  }

  /**
   * A request.
   *
   * @param request the request
   * @param at when it was received
   */
  private record Arrival(IncomingRequest request, Instant at) {}
}
