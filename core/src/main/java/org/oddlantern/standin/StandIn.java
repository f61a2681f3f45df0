package org.oddlantern.standin;

import java.io.IOException;
import java.net.BindException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import javax.net.ServerSocketFactory;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.internal.Callers;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Closing;
import org.oddlantern.http.internal.Tls;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.description.ApiDocument;

/**
 * Stands in for another service that the service under test calls: it answers as instructed, however
 * badly, and what it was asked is evidence. HTTP/1.1 on the loopback address, over TLS if wanted.
 * Thread-safe; the run closes it with what the supply or case has made that opened it.
 *
 * <pre>{@code
 * StandIn weather = StandIn.open()
 *     .named("weather")
 *     .answering("GET /forecast/{place}", Answer.of(200).json(Map.of("rain", false)));
 * ...
 * weather.meanwhile("GET /forecast/{place}", Answer.of(503));
 * beeyard.send(Call.post("/hives/{id}/openings", hive)).must(status(503));
 * weather.asked("GET /forecast/{place}").must(size(1), at("$[0].headers.Accept", "application/json"));
 * }</pre>
 *
 * <p>Whose a request is, is known by the trace that the service passes on ({@code traceparent}, W3C Trace
 * Context), else by the header that names the case ({@code Odd-Lantern-Case}), if it passes that on. Where it
 * passes on neither, a request belongs to the one case that is under way; where several are, mark those
 * that use the stand-in {@code @Occupies} or {@code @Alone}.
 *
 * <p>A request that no pattern matches is answered with 501 and fails the case it belongs to.
 */
public final class StandIn implements AutoCloseable {

  /** Bodies of requests up to so many bytes are taken. */
  private static final int LARGEST_BODY = 16 << 20;

  private final Reception reception;
  private final @Nullable Wire wire;
  private final int port;
  private final boolean secured;

  private StandIn(int port, ServerSocketFactory sockets, boolean secured) {
    this.secured = secured;
    this.reception = new Reception(LARGEST_BODY);
    Answering answering = Answering.ofCase();
    this.wire = answering.isAgain() ? null : opened(port, sockets);
    this.port = answering
        .answer(
            Question.of(Integer.class, Question.Kind.GIVEN, "a port like " + port),
            () -> wire == null ? port : wire.port())
        .orThrow();
    reception.at(url());
    reception.of(CurrentCase.part(Callers.class).orElse(null));
    if (wire != null) {
      atWork().undoNoted(new Closing("close", this, false));
    }
  }

  private Wire opened(int port, ServerSocketFactory sockets) {
    try {
      return new Wire(port, sockets, reception::answer);
    } catch (BindException e) {
      throw new IllegalStateException(
          "a stand-in cannot open at port " + port + ", which somebody else has (" + e.getMessage()
              + "); StandIn.open() takes a free one",
          e);
    } catch (IOException | IllegalArgumentException e) {
      throw new IllegalStateException(
          "a stand-in cannot open at port " + port + ": " + e.getMessage(), e);
    }
  }

  /** A stand-in at any free port. */
  public static StandIn open() {
    return openAt(0);
  }

  /**
   * A stand-in at a port that the service under test has in its settings.
   *
   * @param port the port; 0 is any free one
   * @throws IllegalStateException if somebody else has it
   */
  public static StandIn openAt(int port) {
    return new StandIn(port, ServerSocketFactory.getDefault(), false);
  }

  /**
   * A stand-in that speaks TLS, at any free port. The service under test must trust the certificate, which
   * names {@code localhost}.
   *
   * @param certificateFile the certificate, or a chain of them, as PEM
   * @param keyFile its private key, as PEM in PKCS #8 (RFC 5958), not encrypted
   * @throws IllegalArgumentException if there is no such file, or it cannot be used
   */
  public static StandIn openSecured(String certificateFile, String keyFile) {
    Needed.of(keyFile, "openSecured(certificateFile, keyFile): keyFile");
    Resources files = Resources.current();
    return new StandIn(
        0, Tls.serverSockets(files.text(certificateFile), files.text(keyFile)), true);
  }

  /**
   * Gives it a name, for reports.
   *
   * @param name the name
   * @return this stand-in
   */
  public StandIn named(String name) {
    Needed.of(name, "named(name): name");
    reception.named(name);
    return this;
  }

  /**
   * Takes bodies of requests up to another size; 16 MiB if never said. Larger ones are answered with 413 and
   * fail their case.
   *
   * @param bytes 0 or more
   * @return this stand-in
   */
  public StandIn bodyLimit(int bytes) {
    if (bytes < 0) {
      throw new IllegalArgumentException("a limit for bodies must be 0 or more, not " + bytes);
    }
    reception.bodyLimit(bytes);
    return this;
  }

  /**
   * Answers requests in one way.
   *
   * @param pattern method and path, {@code GET /forecast/{place}}; {@code *} is any method, a last
   *     {@code {+rest}} all that is left of the path. Of several that match, the most concrete answers
   * @param answer what is answered
   * @return this stand-in
   * @throws IllegalArgumentException if the pattern can never match, or is answered already
   */
  public StandIn answering(String pattern, Answer answer) {
    Needed.of(answer, "answering(pattern, answer): answer");
    refuseIfClosed("answering");
    Rule rule = Rule.of(pattern, answer);
    if (!Answering.ofCase().isAgain()) {
      reception.answering(rule);
    }
    return this;
  }

  /**
   * Answers what nothing else was said of by the description of the other service (OpenAPI 3.0 or 3.1): each
   * operation with its first success, by the examples that are there, else by a value made from the
   * schema, always the same. A request that is not as described fails the case it belongs to, whatever was
   * answered.
   *
   * @param description a file, as for schemas
   * @return this stand-in
   * @throws IllegalArgumentException if there is no such file, or it cannot be used
   */
  public StandIn answeringAsDescribed(String description) {
    Needed.of(description, "answeringAsDescribed(description): description");
    refuseIfClosed("answeringAsDescribed");
    ApiDocument document = KnownDescriptions.current().named(description);
    if (!Answering.ofCase().isAgain()) {
      reception.described(new DescribedAnswers(document));
    }
    return this;
  }

  /**
   * Answers requests by what is in them.
   *
   * @param pattern as above
   * @param answer gives the answer; called by several threads, which belong to no case
   * @return this stand-in
   * @throws IllegalArgumentException if the pattern can never match, or is answered already
   */
  public StandIn answering(String pattern, Function<IncomingRequest, Answer> answer) {
    Needed.of(answer, "answering(pattern, answer): answer");
    refuseIfClosed("answering");
    Rule rule = Rule.of(pattern, answer);
    if (!Answering.ofCase().isAgain()) {
      reception.answering(rule);
    }
    return this;
  }

  /**
   * Answers requests of the case at work in another way until it has ended. The last said of several that
   * match answers, before all that is said for everybody.
   *
   * @param pattern as for {@link #answering(String, Answer)}
   * @param answer what is answered
   * @throws IllegalArgumentException if the pattern can never match
   */
  public void meanwhile(String pattern, Answer answer) {
    Needed.of(answer, "meanwhile(pattern, answer): answer");
    refuseIfClosed("meanwhile");
    Rule rule = Rule.of(pattern, answer);
    if (!Answering.ofCase().isAgain()) {
      reception.meanwhile(atWork(), rule);
    }
  }

  /**
   * Answers requests of the case at work by what is in them until it has ended.
   *
   * @param pattern as for {@link #answering(String, Answer)}
   * @param answer gives the answer; called by several threads, which belong to no case
   * @throws IllegalArgumentException if the pattern can never match
   */
  public void meanwhile(String pattern, Function<IncomingRequest, Answer> answer) {
    Needed.of(answer, "meanwhile(pattern, answer): answer");
    refuseIfClosed("meanwhile");
    Rule rule = Rule.of(pattern, answer);
    if (!Answering.ofCase().isAgain()) {
      reception.meanwhile(atWork(), rule);
    }
  }

  /**
   * What the case at work caused to be asked so far: a list, in order, of objects with {@code method},
   * {@code path}, {@code arguments}, {@code query}, {@code headers} (names written {@code Like-This}) and
   * {@code body} (JSON as its value, anything else as text, null if there is none).
   *
   * @param pattern as for {@link #answering(String, Answer)}, whether answered or not
   * @return the requests as evidence; an empty list if there was none
   * @throws IllegalArgumentException if the pattern can never match
   * @throws IllegalStateException if requests were received that may be of this case or of another
   */
  public Observed asked(String pattern) {
    refuseIfClosed("asked");
    AddressPattern wanted = AddressPattern.of(pattern);
    return seen(
        "what " + reception.name() + " was asked, " + wanted.text(),
        wanted,
        () -> reception.askedBy(atWork(), wanted));
  }

  /**
   * What was asked so far since this stand-in opened, by whichever case.
   *
   * @param pattern as for {@link #answering(String, Answer)}, whether answered or not
   * @return the requests as evidence; an empty list if there was none
   * @throws IllegalArgumentException if the pattern can never match
   * @throws IllegalStateException if so many were received that not all are still known
   */
  public Observed askedByAll(String pattern) {
    refuseIfClosed("askedByAll");
    AddressPattern wanted = AddressPattern.of(pattern);
    return seen(
        "what " + reception.name() + " was asked by all, " + wanted.text(),
        wanted,
        reception::askedByAll);
  }

  private static Observed seen(
      String title, AddressPattern wanted, Supplier<List<IncomingRequest>> requests) {
    return Sight.of(title, () -> told(wanted, requests.get()));
  }

  private static List<Object> told(AddressPattern wanted, List<IncomingRequest> requests) {
    List<Object> told = new ArrayList<>();
    for (IncomingRequest request : requests) {
      var arguments = wanted.match(request.method(), AddressPattern.pieces(request.path()));
      if (arguments != null) {
        told.add(request.with(arguments).told());
      }
    }
    return told;
  }

  /** Where it is: {@code http://127.0.0.1:40123}, or {@code https://localhost:40123}. */
  public String url() {
    return (secured ? "https://localhost:" : "http://127.0.0.1:") + port;
  }

  /** The port it is at. */
  public int port() {
    return port;
  }

  /** Closes it with all its connections; whoever waits for an answer gets none. */
  @Override
  public void close() {
    if (wire != null && Answering.ofCase().isAgain()) {
      return; // it is not of this time
    }
    reception.close();
    try {
      if (wire != null) {
        wire.close();
      }
    } catch (IOException e) {
      throw new IllegalStateException("the stand-in at " + url() + " cannot be closed: " + e, e);
    }
  }

  @Override
  public String toString() {
    return reception.name() + " at " + url();
  }

  private static CaseRecorder atWork() {
    return CurrentCase.part(CaseRecorder.class).orElse(CaseRecorder.NONE);
  }

  private void refuseIfClosed(String what) {
    if (reception.isClosed()) {
      throw new IllegalStateException(what + "(...) was called on " + this
          + ", which is closed; a stand-in lasts as long as the supply that made it");
    }
    if (!Answering.ofCase().isAgain()) {
      reception.of(CurrentCase.part(Callers.class).orElse(null));
    }
  }
}
