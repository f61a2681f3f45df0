package org.oddlantern.http;

import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.HeaderRules;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Secret;
import org.w3c.dom.Node;

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
  private final CallOptions options;

  private Call(String method, Address address, Headers headers, Body body, CallOptions options) {
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

  /** A POST; template and arguments as for {@link #get}. */
  public static Call post(String template, Object... arguments) {
    return method("POST", template, arguments);
  }

  /** A PUT; template and arguments as for {@link #get}. */
  public static Call put(String template, Object... arguments) {
    return method("PUT", template, arguments);
  }

  /** A PATCH (RFC 5789); template and arguments as for {@link #get}. */
  public static Call patch(String template, Object... arguments) {
    return method("PATCH", template, arguments);
  }

  /** A DELETE; template and arguments as for {@link #get}. */
  public static Call delete(String template, Object... arguments) {
    return method("DELETE", template, arguments);
  }

  /** A HEAD; its reply has no body; template and arguments as for {@link #get}. */
  public static Call head(String template, Object... arguments) {
    return method("HEAD", template, arguments);
  }

  /** An OPTIONS; template and arguments as for {@link #get}. */
  public static Call options(String template, Object... arguments) {
    return method("OPTIONS", template, arguments);
  }

  /**
   * A call with any method.
   *
   * @param method the method, its case kept
   * @param template the path
   * @param arguments one for each place of the template
   * @return the call
   * @throws IllegalArgumentException if the method is no token (RFC 9110, section 9.1)
   */
  public static Call method(String method, String template, Object... arguments) {
    if (!HeaderRules.isToken(method)) {
      throw new IllegalArgumentException(
          "'" + method + "' cannot be a method: it must be one word (RFC 9110, section 9.1)");
    }
    return new Call(
        method, Address.of(template, arguments), Headers.NONE, new Body.None(), CallOptions.NONE);
  }

  /**
   * A GET of an address as it is: one that a reply gave, for instance ({@link Reply#addressIn}).
   *
   * @param address an absolute http or https URL
   * @return the call
   * @throws IllegalArgumentException if it is not absolute
   */
  public static Call get(URI address) {
    Address literal = Address.literal(Profile.checked(String.valueOf(address)));
    return new Call("GET", literal, Headers.NONE, new Body.None(), CallOptions.NONE);
  }

  /**
   * Sets a JSON body, with its content type.
   *
   * @param body a payload, record, map, list or tree; a {@link String} is JSON text, sent as it is
   * @return the call
   */
  public Call json(@Nullable Object body) {
    return body instanceof String text ? json(text) : with(new Body.Json(body));
  }

  /** Sets a JSON body from text, sent as it is even if it is not JSON. */
  public Call json(String text) {
    return with(new Body.Text(text, "application/json"));
  }

  /** Sets an XML body from text, sent as it is. */
  public Call xml(String text) {
    return with(new Body.Text(text, "application/xml"));
  }

  /**
   * Sets an XML body from a tree.
   *
   * @param document a document or an element
   * @return the call
   */
  public Call xml(Node document) {
    return with(new Body.Raw(Content.of(XmlText.bytes(document)), "application/xml"));
  }

  /** Sets a plain text as the body, in UTF-8. */
  public Call text(String text) {
    return with(new Body.Text(text, "text/plain; charset=utf-8"));
  }

  /**
   * Sets bytes as the body.
   *
   * @param bytes the bytes
   * @param contentType their media type
   * @return the call
   */
  public Call bytes(byte[] bytes, String contentType) {
    return with(
        new Body.Raw(Content.copyOf(bytes), HeaderRules.checkedValue("Content-Type", contentType)));
  }

  /**
   * Sets a file of the suites as the body: on their class path or in the folder of the settings file.
   * Its type follows its ending: {@code .json}, {@code .xml}, {@code .csv}, {@code .png} and so on.
   *
   * @param name the name of the file
   * @return the call
   */
  public Call file(String name) {
    return with(new Body.Resource(name, Part.typeOf(name)));
  }

  /**
   * Sets a file as the body, read while it is sent, however large.
   *
   * @param file the file
   * @return the call
   * @throws IllegalArgumentException if there is no such file
   */
  public Call file(Path file) {
    return with(new Body.Raw(FileContent.of(file), Part.typeOf(String.valueOf(file))));
  }

  /**
   * Adds a field to a URL-encoded form, which becomes the body.
   *
   * @param name the name
   * @param value a value as on the wire; a list or an array sends the field once for each item
   * @return the call
   */
  public Call form(String name, Object value) {
    Body.Form form = body instanceof Body.Form before ? before : new Body.Form(List.of());
    return with(form.with(name, value));
  }

  /**
   * Adds a part to a multipart form, which becomes the body (RFC 7578).
   *
   * @param name the name of the field
   * @param part what it carries
   * @return the call
   */
  public Call part(String name, Part part) {
    Body.Multipart parts = body instanceof Body.Multipart before
        ? before
        : new Body.Multipart("odd-lantern-" + UUID.randomUUID(), List.of());
    return with(parts.with(name, part));
  }

  /**
   * Sets a GraphQL query as the body. A reply with {@code errors} fails the case unless it looks at
   * them.
   *
   * @param query the query with its variables
   * @return the call
   */
  public Call graphQl(GraphQl query) {
    return with(new Body.GraphQlQuery(query));
  }

  /**
   * Sets a header; it replaces the service's of that name.
   *
   * @param name the name
   * @param value the value, by its {@code toString}; a {@link Secret} is revealed to the service alone
   * @return the call
   * @throws IllegalArgumentException if it cannot be in a header
   */
  public Call header(String name, Object value) {
    return new Call(
        method,
        address,
        headers.with(name, HeaderValues.text(value)),
        body,
        options.secrets(HeaderValues.secrets(options.secrets(), value)));
  }

  /**
   * Leaves a header out that the service or this library would send.
   *
   * @param name the name, in any case
   * @return the call
   */
  public Call withoutHeader(String name) {
    return new Call(method, address, headers.without(name), body, options.leaving(name));
  }

  /**
   * Sends a cookie with this call, beside those that the case was given.
   *
   * @param name the name
   * @param value the value, by its {@code toString}
   * @return the call
   */
  public Call cookie(String name, Object value) {
    Needed.of(name, "cookie(name, value): name");
    String pair = name + "=" + HeaderValues.text(value);
    String before = headers.first("Cookie").map(cookies -> cookies + "; ").orElse("");
    return header("Cookie", before + pair)
        .with(options.secrets(HeaderValues.secrets(options.secrets(), value)));
  }

  /**
   * Adds a query parameter; one of the same name may be there already.
   *
   * @param name the name
   * @param value the value, as it looks on the wire; a list or an array adds the parameter once for
   *     each item
   * @return the call
   */
  public Call query(String name, Object value) {
    return new Call(method, address.with(name, value), headers, body, options);
  }

  /**
   * Sends a bearer token (RFC 6750) with this call, instead of the service's credentials.
   *
   * @param token the token
   * @return the call
   */
  public Call bearer(Secret token) {
    return credentials(Credentials.bearer(token));
  }

  /**
   * Sends these credentials with this call, instead of the service's.
   *
   * @param own the credentials
   * @return the call
   */
  public Call credentials(Credentials own) {
    Needed.of(own, "credentials(own): own");
    return with(options.credentials(own));
  }

  /**
   * Sends this call without the service's credentials and without the cookies that the case was given.
   *
   * @return the call
   */
  public Call anonymously() {
    return with(options.credentials(Credentials.NONE));
  }

  /**
   * Follows redirects (RFC 9110, section 15.4), up to a limit, whatever the service does. Credentials
   * are not sent along to another host.
   *
   * @param limit how many; 0 shows the redirect as it is
   * @return the call
   */
  public Call followingRedirects(int limit) {
    return with(options.redirects(Limits.redirects(limit)));
  }

  /**
   * Limits the time from sending to the last byte of the reply, instead of the service's limit.
   *
   * @param limit more than zero
   * @return the call
   */
  public Call timeout(Duration limit) {
    return with(options.timeout(Limits.positive(limit)));
  }

  /**
   * Reads a reply that may have no end, like a stream of events, only until so many events have come or the
   * time is over; what has come by then is the reply, and the connection is closed. Server-sent events
   * count by their type {@code text/event-stream}, of anything else each line that is not empty.
   *
   * @param events how many are enough; 1 or more
   * @param limit for how long, instead of the timeout; more than zero
   * @return the call
   */
  public Call readingEvents(int events, Duration limit) {
    return with(options.listening(Limits.listening(events, limit)));
  }

  /** Names the call in plain words, for the console and the reports. */
  public Call named(String words) {
    return with(options.name(words));
  }

  /**
   * Says how to put back what this call makes. The call that undoes is built as soon as a 2xx reply
   * arrives, so it is not lost when a check fails right after; it is sent when nobody needs any more
   * what the case handed on, with the credentials of this call unless it has its own.
   *
   * @param undo makes the call that undoes, from the reply
   * @return the call
   */
  public Call undoneBy(Function<Reply, Call> undo) {
    return with(options.undo(undo));
  }

  @Override
  public String toString() {
    return method + " " + address.template();
  }

  Call at(Address other) {
    return new Call(method, other, headers, body, options);
  }

  Call with(CallOptions changed) {
    return new Call(method, address, headers, body, changed);
  }

  Call with(Body other) {
    return new Call(method, address, headers, other, options);
  }

  Call as(String otherMethod, Headers others) {
    return new Call(otherMethod, address, others, body, options);
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

  CallOptions options() {
    return options;
  }
}
