package org.oddlantern.standin;

import java.time.Duration;
import java.time.Instant;
import org.oddlantern.evidence.Headers;
import org.oddlantern.http.Content;
import org.oddlantern.http.WireRequest;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.EnglishReasonPhraseCatalog;

/**
 * Tells requests and their answers as exchanges.
 *
 * @param name the name of the stand-in
 * @param url where it is
 */
record Visits(String name, String url) {

  /** A request that was answered, or was left without an answer as it was said. */
  Exchange answered(IncomingRequest request, Answer answer, Instant at, Duration took) {
    String reason = answer.status() == 0
        ? null
        : EnglishReasonPhraseCatalog.INSTANCE.getReason(answer.status(), null);
    String words = answer.words();
    String told = reason == null ? words : words.isEmpty() ? reason : reason + " (" + words + ")";
    WireReply reply =
        new WireReply(answer.status(), told, new Headers(answer.headers()), answer.sent());
    return exchange(request, reply, at, took);
  }

  /** A request whose answer is still computed, reported while there is time. */
  Exchange waiting(IncomingRequest request, Instant at, String place) {
    String words = "with nothing yet: it is still computed, at " + place;
    WireReply none = new WireReply(0, words, Headers.NONE, new byte[0]);
    return exchange(request, none, at, Patience.LIMIT);
  }

  private Exchange exchange(IncomingRequest request, WireReply reply, Instant at, Duration took) {
    return new Exchange(
        new Exchange.Origin("", name, "", true, "", null),
        new WireRequest(
            request.method(), request.uri(url), request.headers(), Content.of(request.body())),
        reply,
        at,
        took,
        null,
        null);
  }
}
