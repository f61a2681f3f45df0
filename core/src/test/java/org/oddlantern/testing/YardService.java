package org.oddlantern.testing;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.atomic.AtomicInteger;

/** A service with hives, pages, cookies, redirects and things that take their time. It counts what it is asked. */
public final class YardService implements AutoCloseable {

  private final HttpServer server = LocalServer.started("yard", this::handle);
  private final AtomicInteger asked = new AtomicInteger();
  private final AtomicInteger sinceBegun = new AtomicInteger();
  private final int millis;

  public YardService() {
    this(0);
  }

  /** One that takes so long for each answer. */
  public YardService(int millis) {
    this.millis = millis;
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  /** How often it was asked. */
  public int asked() {
    return asked.get();
  }

  @Override
  public void close() {
    server.stop(0);
  }

  private void handle(HttpExchange exchange) throws IOException {
    asked.incrementAndGet();
    String sent = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    String path = exchange.getRequestURI().toString();
    if (millis > 0) {
      pause();
    }
    if (path.startsWith("/echo")) {
      answer(exchange, 200, sent);
    } else if (path.equals("/moved")) {
      exchange.getResponseHeaders().add("Location", "/hives/1");
      answer(exchange, 302, "");
    } else if (path.equals("/session")) {
      exchange.getResponseHeaders().add("Set-Cookie", "session=a1b2; HttpOnly; Path=/");
      answer(exchange, 200, "{\"keeper\":\"wren\"}");
    } else if (path.startsWith("/job")) {
      boolean done = sinceBegun.incrementAndGet() % 3 == 0;
      answer(exchange, 200, "{\"state\":\"" + (done ? "done" : "pending") + "\"}");
    } else if (path.startsWith("/pages")) {
      boolean first = !path.contains("page=2");
      answer(
          exchange,
          200,
          "{\"items\":[" + (first ? "1,2" : "3") + "]"
              + (first ? ",\"next\":\"/pages?page=2\"" : "") + "}");
    } else if (exchange.getRequestMethod().equals("POST")) {
      String rest = sent.startsWith("{\"") ? "," + sent.substring(1) : "}";
      answer(exchange, 201, "{\"id\":4" + rest);
    } else if (path.startsWith("/missing")) {
      answer(exchange, 404, "{\"detail\":\"no such hive\"}");
    } else {
      answer(
          exchange,
          200,
          "{\"id\":1,\"label\":\"Foxglove\",\"frames\":10,\"wintered\":true,\"seenOn\":\"2026-05-31\",\"queen\":{\"year\":2024,\"breed\":\"carnica\"},\"boxes\":[{\"number\":1,\"full\":true},{\"number\":2,\"full\":false}]}");
    }
  }

  private void pause() {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void answer(HttpExchange exchange, int status, String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }
}
