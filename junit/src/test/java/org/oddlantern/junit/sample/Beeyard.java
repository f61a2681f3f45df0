package org.oddlantern.junit.sample;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Supply;

/** A small service: hives can be added, read and removed; there is nothing else. */
public final class Beeyard implements AutoCloseable {

  private final Map<String, String> hives = new ConcurrentHashMap<>();
  private final AtomicInteger ids = new AtomicInteger(40);
  private final HttpServer server;

  public Beeyard() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/hives", this::answer);
    server.setExecutor(Executors.newCachedThreadPool());
    server.start();
  }

  @Supply(shared = true)
  static Beeyard started() throws IOException {
    return new Beeyard();
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  public Service service() {
    return Service.reachedAt(address());
  }

  public int hives() {
    return hives.size();
  }

  private void answer(HttpExchange exchange) throws IOException {
    String id = exchange.getRequestURI().getPath().replaceAll(".*/", "");
    String asked = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    switch (exchange.getRequestMethod()) {
      case "POST" -> {
        String made = String.valueOf(ids.incrementAndGet());
        hives.put(made, asked);
        send(exchange, 201, "{\"id\":" + made + ",\"label\":\"Foxglove\"}");
      }
      case "PUT" -> send(exchange, 409, "{\"error\":\"the hive is sealed\"}");
      case "DELETE" -> send(exchange, hives.remove(id) == null ? 404 : 204, "");
      default ->
        send(
            exchange,
            hives.containsKey(id) ? 200 : 404,
            "{\"id\":" + (id.matches("\\d+") ? id : "0") + ",\"label\":\"Foxglove\"}");
    }
  }

  private static void send(HttpExchange exchange, int status, String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }

  @Override
  public void close() {
    server.stop(0);
  }
}
