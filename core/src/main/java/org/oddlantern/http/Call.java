package org.oddlantern.http;

import java.time.Duration;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Secret;

/**
 * A request to be sent by a {@link Service}. Immutable and thread-safe: every method gives a new call.
 *
 * <pre>{@code
 * Call.get("/hives/{id}", id)
 * Call.get("/inspections").query("hive", id).query("limit", 20)
 * Call.post("/hives").json(hive).named("register a hive")
 * }</pre>
 *
 * <p>A template is a path below the service's address, or an absolute URL. Each {@code {place}} takes
 * one argument, in order; arguments are percent-encoded. A missing or surplus argument is an {@link
 * IllegalArgumentException}.
 */
public final class Call {

  private final String method;
  private final Address address;
  private final Headers headers;
  private final Body body;
  private final Options options;

  private Call(String method, Address address, Headers headers, Body body, Options options) {
    this.method = method;
    this.address = address;
    this.headers = headers;
    this.body = body;
    this.options = options;
  }

  /**
   * A GET.
   *
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   */
  public static Call get(String template, Object... arguments) {
    return method("GET", template, arguments);
  }

  /**
   * A POST.
   *
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   */
  public static Call post(String template, Object... arguments) {
    return method("POST", template, arguments);
  }

  /**
   * A PUT.
   *
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   */
  public static Call put(String template, Object... arguments) {
    return method("PUT", template, arguments);
  }

  /**
   * A PATCH (RFC 5789).
   *
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   */
  public static Call patch(String template, Object... arguments) {
    return method("PATCH", template, arguments);
  }

  /**
   * A DELETE.
   *
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   */
  public static Call delete(String template, Object... arguments) {
    return method("DELETE", template, arguments);
  }

  /**
   * A call with any method.
   *
   * @param method the method, its case kept
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   */
  public static Call method(String method, String template, Object... arguments) {
    if (!Header.isToken(method)) {
      throw new IllegalArgumentException(
          "'" + method + "' cannot be a method: it must be one word (RFC 9110, section 9.1)");
    }
    return new Call(
        method, Address.of(template, arguments), Headers.NONE, new Body.None(), Options.NONE);
  }

  /**
   * Sets a JSON body, with its content type.
   *
   * @param body a payload, record, map, list or tree; a {@link String} is JSON text, sent as it is
   * @return the call
   */
  public Call json(@Nullable Object body) {
    return body instanceof String text
        ? json(text)
        : new Call(method, address, headers, new Body.Json(body), options);
  }

  /**
   * Sets a JSON body from text, sent as it is even if it is not JSON.
   *
   * @param text the body
   * @return the call
   */
  public Call json(String text) {
    return new Call(method, address, headers, new Body.Text(text, "application/json"), options);
  }

  /**
   * Sets a header; it replaces the service's of that name.
   *
   * @param name the name
   * @param value the value, by its {@code toString}
   * @return the call
   */
  public Call header(String name, Object value) {
    return new Call(method, address, headers.with(name, value.toString()), body, options);
  }

  /**
   * Adds a query parameter; one of the same name may be there already.
   *
   * @param name the name
   * @param value the value, as it looks on the wire
   * @return the call
   */
  public Call query(String name, Object value) {
    Objects.requireNonNull(value, "value of the query parameter " + name);
    return new Call(
        method, address.with(new Address.Parameter(name, value)), headers, body, options);
  }

  /**
   * Sends a bearer token (RFC 6750) with this call, instead of the service's credentials.
   *
   * @param token the token
   * @return the call
   */
  public Call bearer(Secret token) {
    return with(options.bearer(token));
  }

  /**
   * Limits the time from sending to the last byte of the reply, instead of the service's limit.
   *
   * @param limit more than zero
   * @return the call
   */
  public Call deadline(Duration limit) {
    return with(options.deadline(Deadlines.positive(limit)));
  }

  /**
   * Names the call in plain words, for the console and the reports.
   *
   * @param words what is asked
   * @return the call
   */
  public Call named(String words) {
    return with(options.name(words));
  }

  /**
   * Says how to take back what this call makes. The call that undoes is built as soon as a 2xx reply
   * arrives, so it is not lost when a check fails right after; it is sent when nobody needs any more
   * what the case handed on, with the credentials of this call unless it has its own.
   *
   * @param undo makes the call that undoes, from the reply
   * @return the call
   */
  public Call undoneBy(Function<Reply, Call> undo) {
    return with(options.undo(undo));
  }

  Call with(Options changed) {
    return new Call(method, address, headers, body, changed);
  }

  String method() {
    return method;
  }

  Address address() {
    return address;
  }

  Headers headers() {
    return headers;
  }

  Body body() {
    return body;
  }

  Options options() {
    return options;
  }

  /** What accompanies a call and is not on the wire as such. */
  record Options(
      String name,
      @Nullable Secret bearer,
      @Nullable Duration deadline,
      @Nullable Function<Reply, Call> undo) {

    static final Options NONE = new Options("", null, null, null);

    Options name(String words) {
      return new Options(words, bearer, deadline, undo);
    }

    Options bearer(@Nullable Secret token) {
      return new Options(name, token, deadline, undo);
    }

    Options deadline(Duration limit) {
      return new Options(name, bearer, limit, undo);
    }

    Options undo(Function<Reply, Call> how) {
      return new Options(name, bearer, deadline, how);
    }
  }
}
