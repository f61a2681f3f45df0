package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;

/**
 * A call, its reply and the checks made on it, as recorded: secrets masked.
 *
 * @param name what the call is named in plain words; may be empty
 * @param service the name of the service; empty if it has none
 * @param template the address before arguments took their places
 * @param method the method
 * @param url the address
 * @param requestHeaders the headers sent
 * @param requestBody the body sent
 * @param status the status, or 0 if no reply came
 * @param reason the reason phrase
 * @param replyHeaders the headers that came
 * @param replyBody the body that came
 * @param sentAt when sending began
 * @param tookMicros microseconds until the last byte
 * @param fault why there is no reply, or null
 * @param verdicts the checks made on the reply
 * @param variables for each secret hidden in address, headers and body sent, in order, the environment
 *     variable it came from or an empty text; empty if there is none such
 */
public record ExchangeRecord(
    String name,
    String service,
    String template,
    String method,
    String url,
    List<Header> requestHeaders,
    BodyRecord requestBody,
    int status,
    String reason,
    List<Header> replyHeaders,
    BodyRecord replyBody,
    Instant sentAt,
    long tookMicros,
    @Nullable String fault,
    List<Verdict> verdicts,
    List<String> variables)
    implements AskedRecord {

  /** What is absent in a journal is empty here. */
  public ExchangeRecord {
    name = name == null ? "" : name;
    service = service == null ? "" : service;
    template = template == null ? "" : template;
    reason = reason == null ? "" : reason;
    requestBody = requestBody == null ? BodyRecord.NONE : requestBody;
    replyBody = replyBody == null ? BodyRecord.NONE : replyBody;
    requestHeaders = requestHeaders == null ? List.of() : List.copyOf(requestHeaders);
    replyHeaders = replyHeaders == null ? List.of() : List.copyOf(replyHeaders);
    verdicts = verdicts == null ? List.of() : List.copyOf(verdicts);
    variables = variables == null ? List.of() : List.copyOf(variables);
  }

  /**
   * The call in one line.
   *
   * @return {@code GET http://127.0.0.1:7411/api/hives}
   */
  @Override
  public String line() {
    return method + " " + url;
  }

  /**
   * The status and its reason, or that there was none.
   *
   * @return {@code 404 Not Found}
   */
  public String answer() {
    return status == 0
        ? "no reply"
        : reason.isEmpty() ? String.valueOf(status) : status + " " + reason;
  }

  /**
   * A command line for a POSIX shell that repeats the call; secrets stand as
   * environment variables.
   *
   * @return the command line
   */
  public String curl() {
    return CurlLine.of(this);
  }

  /**
   * This record with other bodies.
   *
   * @param request the body sent
   * @param reply the body that came
   * @return the record
   */
  public ExchangeRecord withBodies(BodyRecord request, BodyRecord reply) {
    return new ExchangeRecord(
        name,
        service,
        template,
        method,
        url,
        requestHeaders,
        request,
        status,
        reason,
        replyHeaders,
        reply,
        sentAt,
        tookMicros,
        fault,
        verdicts,
        variables);
  }
}
