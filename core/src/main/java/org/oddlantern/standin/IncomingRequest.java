package org.oddlantern.standin;

import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.evidence.internal.HeaderRules;
import org.oddlantern.json.Json;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;

/**
 * A request that a stand-in received. Immutable and thread-safe.
 *
 * <pre>{@code
 * weather.answering("GET /forecast/{place}", asked ->
 *     Answer.of(200).json(Map.of("rain", asked.argument("place").equals("moor"))));
 * }</pre>
 */
public final class IncomingRequest {

  private final String method;
  private final String target;
  private final Headers headers;
  private final byte[] body;
  private final Map<String, String> arguments;

  IncomingRequest(
      String method, String target, Headers headers, byte[] body, Map<String, String> arguments) {
    this.method = method;
    this.target = target;
    this.headers = headers;
    this.body = body;
    this.arguments = arguments;
  }

  IncomingRequest with(Map<String, String> others) {
    return new IncomingRequest(method, target, headers, body, others);
  }

  /** The method, as sent. */
  public String method() {
    return method;
  }

  /**
   * The path as sent, percent-encoded, without the query.
   *
   * @return {@code /forecast/north%20slope}
   */
  public String path() {
    int query = target.indexOf('?');
    return query < 0 ? target : target.substring(0, query);
  }

  /**
   * What is in the path where the pattern has a place.
   *
   * @param name the name of the place
   * @return the text, decoded
   * @throws IllegalArgumentException if the pattern has no such place
   */
  public String argument(String name) {
    String found = arguments.get(name);
    if (found == null) {
      throw new IllegalArgumentException(
          "the pattern has no argument '" + name + "'; it has " + arguments.keySet());
    }
    return found;
  }

  /**
   * The first value of a name in the query.
   *
   * @param name the name
   * @return the value, decoded; empty if there is none
   */
  public Optional<String> query(String name) {
    List<String> values = queries().get(name);
    return values == null ? Optional.empty() : Optional.of(values.get(0));
  }

  /** The headers. */
  public Headers headers() {
    return headers;
  }

  /** The body as text, by the character set it declares, else UTF-8; empty if there is none. */
  public String text() {
    return BodyText.of(headers.first("Content-Type").orElse("").toLowerCase(Locale.ROOT), body)
        .text();
  }

  /**
   * The body as JSON.
   *
   * @throws NotJson if it is not JSON
   */
  public Json json() {
    return Json.of(JsonMapping.standard().parse(body));
  }

  byte[] body() {
    return body;
  }

  /** The request in one line. */
  @Override
  public String toString() {
    return method + " " + target;
  }

  /** As evidence shows it. */
  Map<String, Object> told() {
    Map<String, Object> told = new LinkedHashMap<>();
    told.put("method", method);
    told.put("path", AddressPattern.decoded(path()));
    told.put("arguments", arguments);
    Map<String, Object> query = new LinkedHashMap<>();
    queries()
        .forEach((name, values) -> query.put(name, values.size() == 1 ? values.get(0) : values));
    told.put("query", query);
    told.put("headers", toldHeaders());
    told.put("body", toldBody());
    return told;
  }

  /** Names in one way of writing, since they are case-insensitive; repeated ones joined (RFC 9110, 5.3). */
  private Map<String, String> toldHeaders() {
    Map<String, String> told = new LinkedHashMap<>();
    for (Header header : headers.fields()) {
      told.merge(
          HeaderRules.capitalised(header.name()),
          header.value(),
          (one, other) -> one + ", " + other);
    }
    return told;
  }

  /** JSON as its value, anything else as text; nothing is null. */
  private Object toldBody() {
    if (body.length == 0) {
      return Json.of(JsonMapping.standard().parse("null"));
    }
    try {
      return json();
    } catch (NotJson e) {
      return text();
    }
  }

  private Map<String, List<String>> queries() {
    Map<String, List<String>> queries = new LinkedHashMap<>();
    int at = target.indexOf('?');
    if (at < 0 || at == target.length() - 1) {
      return queries;
    }
    for (String pair : target.substring(at + 1).split("&", -1)) {
      if (pair.isEmpty()) {
        continue;
      }
      int equals = pair.indexOf('=');
      String name = equals < 0 ? pair : pair.substring(0, equals);
      String value = equals < 0 ? "" : pair.substring(equals + 1);
      queries.computeIfAbsent(form(name), none -> new ArrayList<>(1)).add(form(value));
    }
    return queries;
  }

  private static String form(String text) {
    try {
      return URLDecoder.decode(text, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return text;
    }
  }

  /** Where it went, as an address. */
  URI uri(String base) {
    String path = target.startsWith("/") ? target : "/" + target;
    try {
      return URI.create(base + path);
    } catch (IllegalArgumentException e) {
      return URI.create(base + path.replaceAll("[^A-Za-z0-9/?&=._~-]", "_"));
    }
  }
}
