package org.oddlantern.internal.record;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.internal.Caller;

/**
 * A call, its reply and the checks made on it, as recorded: secrets masked.
 *
 * @param origin which call it is
 * @param request what was sent
 * @param reply what came
 * @param sentAt when sending began
 * @param tookMicros microseconds until the last byte
 * @param fault why there is no reply, or null
 * @param verdicts the checks made on the reply
 * @param log what the service said meanwhile, if the call is troubled and its log is known; null else
 */
public record ExchangeRecord(
    Origin origin,
    Request request,
    Reply reply,
    Instant sentAt,
    long tookMicros,
    @Nullable String fault,
    List<Verdict> verdicts,
    @Nullable LogRecord log)
    implements AskedRecord {

  /** Without a word from the service. */
  public ExchangeRecord(
      Origin origin,
      Request request,
      Reply reply,
      Instant sentAt,
      long tookMicros,
      @Nullable String fault,
      List<Verdict> verdicts) {
    this(origin, request, reply, sentAt, tookMicros, fault, verdicts, null);
  }

  /** Keeps its own list. */
  public ExchangeRecord {
    verdicts = List.copyOf(verdicts);
  }

  /** What the call is named in plain words; may be empty. */
  public String name() {
    return origin.name();
  }

  /** The name of the service; empty if it has none. */
  public String service() {
    return origin.service();
  }

  /** The address before arguments took their places. */
  public String template() {
    return origin.template();
  }

  /** Whether a service under test made it, and a stand-in answered. */
  public boolean isVisit() {
    return origin.visit();
  }

  /** The method. */
  public String method() {
    return request.method();
  }

  /** The address. */
  public String url() {
    return request.url();
  }

  /** The headers sent. */
  public List<Header> requestHeaders() {
    return request.headers();
  }

  /** The body sent. */
  public BodyRecord requestBody() {
    return request.body();
  }

  /** The body as it was sent, if it lies in a file; else null. */
  public @Nullable SentFile sentFile() {
    return request.sentFile();
  }

  /**
   * This record with its sent body in a file.
   *
   * @param file the file
   * @return the record
   */
  public ExchangeRecord withSentFile(SentFile file) {
    Request other =
        new Request(method(), url(), requestHeaders(), requestBody(), variables(), file);
    return new ExchangeRecord(origin, other, reply, sentAt, tookMicros, fault, verdicts, log);
  }

  /** The environment variables of the secrets sent. */
  public List<String> variables() {
    return request.variables();
  }

  /** The status, or 0 if no reply came. */
  public int status() {
    return reply.status();
  }

  /** The reason phrase. */
  public String reason() {
    return reply.reason();
  }

  /** The headers that came. */
  public List<Header> replyHeaders() {
    return reply.headers();
  }

  /** The body that came. */
  public BodyRecord replyBody() {
    return reply.body();
  }

  /**
   * The call in one line.
   *
   * @return {@code GET http://127.0.0.1:7411/api/hives}
   */
  @Override
  public String line() {
    return request.method() + " " + request.url();
  }

  /**
   * The status and its reason, or that there was none.
   *
   * @return {@code 404 Not Found}
   */
  public String answer() {
    return status() == 0
        ? reason().isEmpty() ? "no reply" : reason()
        : reason().isEmpty() ? String.valueOf(status()) : status() + " " + reason();
  }

  /**
   * A command line for a POSIX shell that repeats the call; secrets are environment variables in it. A
   * long body, and one that is no text, is sent from its file.
   *
   * @param folder the folder of the journal, seen from where the line is to be typed
   * @return the command line
   */
  public String curl(Path folder) {
    return CurlLine.of(this, folder);
  }

  /**
   * The trace it belongs to, by which it can be found where the service records traces (W3C Trace
   * Context).
   *
   * @return 32 hexadecimal digits; empty if none was sent
   */
  public String trace() {
    return Caller.traceIn(requestHeaders());
  }

  /**
   * Where its trace can be looked at.
   *
   * @return an address; empty if there is no trace or nobody knows where
   */
  public String traceLink() {
    if (origin.traces().isEmpty()) {
      return "";
    }
    String trace = trace();
    return trace.isEmpty() ? "" : origin.traces().replace("{id}", trace);
  }

  /**
   * This record with other bodies.
   *
   * @param sent the body sent
   * @param came the body that came
   * @return the record
   */
  public ExchangeRecord withBodies(BodyRecord sent, BodyRecord came) {
    Request other =
        new Request(method(), url(), requestHeaders(), sent, variables(), request.sentFile());
    Reply another = new Reply(status(), reason(), replyHeaders(), came);
    return new ExchangeRecord(origin, other, another, sentAt, tookMicros, fault, verdicts, log);
  }

  /**
   * Which call it is, whatever its arguments.
   *
   * @param name what it is named in plain words; may be empty
   * @param service the name of the service; empty if it has none
   * @param template the address before arguments took their places
   * @param visit whether a service under test made it, and a stand-in answered
   * @param traces where its trace can be looked at, with {@code {id}} in its place; empty if nobody knows
   */
  public record Origin(String name, String service, String template, boolean visit, String traces) {

    /** Of a call that a case made. */
    public Origin(String name, String service, String template) {
      this(name, service, template, false, "");
    }
  }

  /**
   * What was sent.
   *
   * @param method the method
   * @param url the address
   * @param headers the headers
   * @param body the body
   * @param variables for each secret hidden in address, headers and body, in order, the environment
   *     variable it came from or an empty text; empty if there is none such
   * @param sentFile the body as it was sent, if the call is troubled and a command line is no place for it;
   *     null else
   */
  public record Request(
      String method,
      String url,
      List<Header> headers,
      BodyRecord body,
      List<String> variables,
      @Nullable SentFile sentFile) {

    /** Whose body has no file of its own. */
    public Request(
        String method, String url, List<Header> headers, BodyRecord body, List<String> variables) {
      this(method, url, headers, body, variables, null);
    }

    /** Keeps its own lists. */
    public Request {
      headers = List.copyOf(headers);
      variables = List.copyOf(variables);
    }
  }

  /**
   * What came.
   *
   * @param status the status, or 0 if no reply came
   * @param reason the reason phrase
   * @param headers the headers
   * @param body the body
   */
  public record Reply(int status, String reason, List<Header> headers, BodyRecord body) {

    /** Nothing came. */
    public static final Reply NONE = new Reply(0, "", List.of(), BodyRecord.NONE);

    /** Keeps its own list. */
    public Reply {
      headers = List.copyOf(headers);
    }
  }
}
