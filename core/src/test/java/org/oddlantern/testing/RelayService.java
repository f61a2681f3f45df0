package org.oddlantern.testing;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;

/**
 * A service that asks another one whatever it is asked, and answers with what it got: status and body, or 502
 * and what went wrong. It passes on the headers it is told to.
 */
public final class RelayService implements AutoCloseable {

  private static final HttpClient CLIENT =
      HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

  private final HttpServer server;
  private final List<String> passedOn;
  private volatile String upstream = "";

  public RelayService(String... passedOn) {
    this.passedOn = List.of(passedOn);
    server = LocalServer.started("relay", this::handle);
  }

  /** Whom it asks. */
  public void asking(String address) {
    upstream = address;
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  @Override
  public void close() {
    server.stop(0);
  }

  private void handle(HttpExchange exchange) throws IOException {
    byte[] body = exchange.getRequestBody().readAllBytes();
    HttpRequest.Builder request = HttpRequest.newBuilder(
            URI.create(upstream + exchange.getRequestURI()))
        .timeout(Duration.ofMillis(1_500))
        .method(exchange.getRequestMethod(), HttpRequest.BodyPublishers.ofByteArray(body));
    for (String name : passedOn) {
      String value = exchange.getRequestHeaders().getFirst(name);
      if (value != null) {
        request.header(name, value);
      }
    }
    try {
      HttpResponse<byte[]> reply =
          CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
      reply
          .headers()
          .firstValue("Content-Type")
          .ifPresent(type -> exchange.getResponseHeaders().set("Content-Type", type));
      answer(exchange, reply.statusCode(), reply.body());
    } catch (IOException e) {
      answer(exchange, 502, e.toString().getBytes(StandardCharsets.UTF_8));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void answer(HttpExchange exchange, int status, byte[] body) throws IOException {
    try (exchange) {
      exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
      if (body.length > 0) {
        exchange.getResponseBody().write(body);
      }
    }
  }
}
