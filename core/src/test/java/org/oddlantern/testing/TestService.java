package org.oddlantern.testing;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * A small real service: POST /things makes a thing, /things/N answers 200, /status/N answers that
 * status, /echo answers what came, /text/... answers plain text, /slow/N takes N ms. It remembers what it
 * received.
 */
public final class TestService implements AutoCloseable {

  /** What the service received, in order: {@code "GET /things/1"}. */
  public final List<String> received = new CopyOnWriteArrayList<>();

  /** The headers of the last request. */
  public volatile Map<String, List<String>> lastHeaders = Map.of();

  private final HttpServer server;
  private final AtomicInteger things = new AtomicInteger();

  public TestService() {
    server = LocalServer.started("service", this::handle);
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  @Override
  public void close() {
    server.stop(0);
  }

  private void handle(HttpExchange exchange) throws IOException {
    String path = exchange.getRequestURI().toString();
    String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    received.add(exchange.getRequestMethod() + " " + path);
    lastHeaders = Map.copyOf(exchange.getRequestHeaders());
    if (path.startsWith("/slow/")) {
      pause(Integer.parseInt(path.substring(6)));
    }
    if (path.startsWith("/status/")) {
      answer(
          exchange,
          Integer.parseInt(path.substring(8)),
          "application/json",
          "{\"status\":" + path.substring(8) + "}");
    } else if (path.equals("/echo")) {
      answer(
          exchange,
          200,
          String.valueOf(exchange.getRequestHeaders().getFirst("Content-Type")),
          body);
    } else if (path.equals("/graphql")) {
      answer(
          exchange,
          200,
          "application/json",
          "{\"data\":{\"id\":1},\"errors\":[{\"message\":\"no\"}]}");
    } else if (path.startsWith("/text/")) {
      answer(exchange, 200, "text/plain", path.substring(6));
    } else if (exchange.getRequestMethod().equals("POST")) {
      exchange.getResponseHeaders().add("ETag", "\"1\"");
      answer(exchange, 201, "application/json", "{\"id\":" + things.incrementAndGet() + "}");
    } else if (exchange.getRequestMethod().equals("DELETE")) {
      exchange.sendResponseHeaders(204, -1);
      exchange.close();
    } else {
      answer(exchange, 200, "application/json", "{\"path\":\"" + path + "\"}");
    }
  }

  private static void pause(int millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void answer(HttpExchange exchange, int status, String type, String body)
      throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", type);
    exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }
}
