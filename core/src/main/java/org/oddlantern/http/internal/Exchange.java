package org.oddlantern.http.internal;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.http.WireRequest;

/**
 * A call as it was sent and what came of it.
 *
 * @param origin which call it is
 * @param request what was sent
 * @param reply what came back; null if no whole reply came
 * @param sentAt when sending began
 * @param took from then until the last byte, or until it went wrong
 * @param fault why there is no reply, in a sentence; null if there is one
 * @param log where the service wrote its log meanwhile; null if nobody knows
 */
public record Exchange(
    Origin origin,
    WireRequest request,
    @Nullable WireReply reply,
    Instant sentAt,
    Duration took,
    @Nullable String fault,
    ServiceLog.@Nullable Span log)
    implements Asked {

  /**
   * Which call it is, whatever its arguments.
   *
   * @param name what the call is named in plain words; may be empty
   * @param service the name of the service; empty if it has none
   * @param template the address before arguments took their places
   * @param visit whether a service under test made it, and a stand-in answered
   * @param traces where its trace can be looked at, with {@code {id}} in its place; empty if nobody knows
   * @param described holds it against the description of its service; null if there is none
   */
  public record Origin(
      String name,
      String service,
      String template,
      boolean visit,
      String traces,
      @Nullable Described described) {

    /** Of a call that a case made. */
    public Origin(String name, String service, String template) {
      this(name, service, template, false, "", null);
    }
  }

  /**
   * The call in one line.
   *
   * @return {@code GET http://127.0.0.1:7411/api/hives}
   */
  @Override
  public String line() {
    return request.method() + " " + request.uri();
  }
}
