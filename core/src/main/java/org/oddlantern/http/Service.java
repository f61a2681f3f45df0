package org.oddlantern.http;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.CurrentSurroundings;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.http.internal.TransportFault;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Secret;

/**
 * An HTTP API under test: its address and what is said once for every call. Immutable and thread-safe.
 *
 * <p>A suite gets its services from the {@code Environment}, which takes them from the settings. Where
 * no settings are wanted, {@link #reachedAt} needs an address only:
 *
 * <pre>{@code
 * Service beeyard = Service.reachedAt("http://127.0.0.1:7411/api");
 * beeyard.send(Call.get("/hives")).must(status(200));
 * }</pre>
 */
public final class Service {

  private static final String CASE_HEADER = "Odd-Lantern-Case";
  private static final String USER_AGENT = "odd-lantern";

  private final Profile profile;
  private final CurrentSurroundings surroundings;

  private Service(Profile profile, CurrentSurroundings surroundings) {
    this.profile = profile;
    this.surroundings = surroundings;
  }

  /**
   * A service at an address, with the standard limits and no credentials. Used by code that a case
   * runs, its exchanges belong to that case; elsewhere nothing is recorded.
   *
   * @param url an absolute http or https URL, with a base path or without
   * @return the service
   * @throws IllegalArgumentException if it is no such URL
   */
  public static Service reachedAt(String url) {
    return new Service(Profile.at(url), CurrentSurroundings.ofWhoeverAsks());
  }

  /**
   * This service at another address.
   *
   * @param url an absolute http or https URL
   * @return the service
   * @throws IllegalArgumentException if it is no such URL
   */
  public Service movedTo(String url) {
    return with(profile.movedTo(url));
  }

  /**
   * This service with a header on every call that does not set it itself.
   *
   * @param name the name
   * @param value the value, by its {@code toString}
   * @return the service
   */
  public Service header(String name, Object value) {
    return with(profile.headers(profile.headers().with(name, value.toString())));
  }

  /**
   * This service with a bearer token (RFC 6750) on every call that does not bring its own.
   *
   * @param token the token
   * @return the service
   */
  public Service bearer(Secret token) {
    return with(profile.bearer(token));
  }

  /**
   * This service with a limit for every call that does not set its own; 30 s if never set.
   *
   * @param limit from sending to the last byte of the reply; more than zero
   * @return the service
   */
  public Service deadline(Duration limit) {
    return with(profile.deadline(Deadlines.positive(limit)));
  }

  /**
   * This service, remembering the case that uses it; for the runner.
   *
   * @param own the case's transport and recorder
   * @return the service
   */
  public Service boundTo(Surroundings own) {
    return new Service(profile, CurrentSurroundings.always(own));
  }

  /**
   * Sends a call and waits for the whole reply.
   *
   * @param call what to send
   * @return the reply, whatever its status
   * @throws NoReply if no whole reply came: refused, too slow, cut off, too large, not HTTP
   * @throws IllegalArgumentException if the call makes no valid address or its body cannot be written
   */
  public Reply send(Call call) {
    Surroundings current = surroundings.now();
    CaseRecorder recorder = current.recorder();
    WireRequest request = request(call, recorder);
    Duration deadline =
        call.options().deadline() == null ? profile.deadline() : call.options().deadline();
    Exchange exchange = exchange(call, request, current, deadline);
    Reply reply = new Reply(exchange, replyOf(exchange), profile.mapping(), recorder);
    noteUndo(call, reply, exchange);
    return reply;
  }

  private Exchange exchange(
      Call call, WireRequest request, Surroundings current, Duration deadline) {
    Instant sentAt = Instant.now();
    long start = System.nanoTime();
    try {
      WireReply reply = current.transport().send(request, deadline);
      Duration took = Duration.ofNanos(System.nanoTime() - start);
      Exchange exchange = new Exchange(call.options().name(), request, reply, sentAt, took, null);
      current.recorder().ended(exchange);
      return exchange;
    } catch (TransportFault e) {
      Duration took = Duration.ofNanos(System.nanoTime() - start);
      String sentence = e.getMessage() + " (after " + took.toMillis() + " ms)";
      Exchange exchange =
          new Exchange(call.options().name(), request, null, sentAt, took, sentence);
      current.recorder().ended(exchange);
      throw new NoReply(exchange.line() + " got no reply: " + sentence, e);
    }
  }

  private static WireReply replyOf(Exchange exchange) {
    WireReply reply = exchange.reply();
    if (reply == null) {
      throw new IllegalStateException("an exchange without a fault has a reply");
    }
    return reply;
  }

  private WireRequest request(Call call, CaseRecorder recorder) {
    JsonMapping mapping = profile.mapping();
    return new WireRequest(
        call.method(),
        call.address().resolve(profile.url(), mapping),
        headers(call, recorder).with(call.headers()),
        call.body().bytes(mapping));
  }

  /** What goes with every call; the call's own headers replace any of these. */
  private Headers headers(Call call, CaseRecorder recorder) {
    List<Header> fields = new ArrayList<>();
    fields.add(new Header("User-Agent", USER_AGENT));
    String type = call.body().contentType();
    if (type != null) {
      fields.add(new Header("Content-Type", type));
    }
    Secret token =
        call.options().bearer() == null ? profile.bearer() : call.options().bearer();
    if (token != null) {
      recorder.secret(token.reveal());
      fields.add(new Header("Authorization", "Bearer " + token.reveal()));
    }
    recorder.marker().ifPresent(marker -> fields.add(new Header(CASE_HEADER, marker)));
    return new Headers(fields).with(profile.headers());
  }

  private void noteUndo(Call call, Reply reply, Exchange exchange) {
    Function<Reply, Call> undo = call.options().undo();
    int status = replyOf(exchange).status();
    if (undo != null && status >= 200 && status < 300) {
      surroundings.now().recorder().undoNoted(undoOf(call, reply, undo));
    }
  }

  private Undo undoOf(Call call, Reply reply, Function<Reply, Call> undo) {
    try {
      Call back = undo.apply(reply);
      Call credited = back.options().bearer() == null
          ? back.with(back.options().bearer(call.options().bearer()))
          : back;
      WireRequest request = request(credited, surroundings.now().recorder());
      return new PlannedUndo(request, surroundings.now().transport());
    } catch (RuntimeException | AssertionError e) {
      return new BrokenUndo(call.method() + " " + call.address().template(), e);
    }
  }

  private Service with(Profile changed) {
    return new Service(changed, surroundings);
  }
}
