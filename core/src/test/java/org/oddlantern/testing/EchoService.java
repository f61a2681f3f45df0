package org.oddlantern.testing;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import com.sun.net.httpserver.HttpsConfigurator;
import com.sun.net.httpserver.HttpsServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import javax.net.ssl.SSLContext;
import org.jspecify.annotations.Nullable;

/**
 * Remembers every request whole, and answers by its path: /redirect/STATUS?to=ADDRESS, /page?page=N of
 * three, /token, /guarded (wants the newest token), /cookie (sets two), /graphql, else 200.
 */
public final class EchoService implements AutoCloseable {

  /** A request as it came. */
  public record Request(
      String method, String target, Map<String, List<String>> headers, String body) {

    /** The one value of a header; empty if there is none. */
    public String header(String name) {
      return String.join(", ", headers.getOrDefault(name, List.of()));
    }
  }

  public final List<Request> received = new CopyOnWriteArrayList<>();
  private final AtomicInteger tokens = new AtomicInteger();
  private final HttpServer server;
  private final String scheme;
  private volatile boolean expired;

  public EchoService() throws IOException {
    this(null);
  }

  /** One that speaks TLS. */
  public EchoService(@Nullable SSLContext tls) throws IOException {
    InetSocketAddress any = new InetSocketAddress(InetAddress.getLoopbackAddress(), 0);
    if (tls == null) {
      server = HttpServer.create(any, 0);
    } else {
      HttpsServer secured = HttpsServer.create(any, 0);
      secured.setHttpsConfigurator(new HttpsConfigurator(tls) {
        @Override
        public void configure(com.sun.net.httpserver.HttpsParameters parameters) {
          var wanted = tls.getDefaultSSLParameters();
          wanted.setWantClientAuth(true);
          parameters.setSSLParameters(wanted);
        }
      });
      server = secured;
    }
    scheme = tls == null ? "http" : "https";
    LocalServer.started("echo", server, this::handle);
  }

  public String address() {
    return scheme + "://127.0.0.1:" + server.getAddress().getPort();
  }

  public Request last() {
    return received.get(received.size() - 1);
  }

  /** From now on the newest token is refused. */
  public void expireTokens() {
    expired = true;
  }

  @Override
  public void close() {
    server.stop(0);
  }

  private void handle(HttpExchange exchange) throws IOException {
    String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.ISO_8859_1);
    String path = exchange.getRequestURI().getPath();
    String query = String.valueOf(exchange.getRequestURI().getQuery());
    received.add(new Request(
        exchange.getRequestMethod(),
        exchange.getRequestURI().toString(),
        Map.copyOf(exchange.getRequestHeaders()),
        body));
    if (path.startsWith("/redirect/")) {
      exchange.getResponseHeaders().add("Location", query.substring("to=".length()));
      answer(exchange, Integer.parseInt(path.substring("/redirect/".length())), "");
    } else if (path.equals("/page")) {
      page(exchange, Integer.parseInt(query.replaceAll("\\D", "")));
    } else if (path.equals("/token")) {
      expired = false;
      answer(exchange, 200, "{\"access_token\":\"token-%d\"}".formatted(tokens.incrementAndGet()));
    } else if (path.equals("/guarded")) {
      String wanted = "Bearer token-" + tokens.get();
      boolean good = wanted.equals(exchange.getRequestHeaders().getFirst("Authorization"));
      answer(exchange, good && !expired ? 200 : 401, "{}");
    } else if (path.equals("/cookie")) {
      exchange
          .getResponseHeaders()
          .add("Set-Cookie", "session=s-4711-abcdefghijkl; Path=/; HttpOnly");
      exchange.getResponseHeaders().add("Set-Cookie", "theme=dark; Path=/elsewhere");
      answer(exchange, 200, "{}");
    } else if (path.equals("/graphql")) {
      answer(exchange, 200, "{\"data\":null,\"errors\":[{\"message\":\"no such hive\"}]}");
    } else {
      answer(exchange, 200, "{\"ok\":true}");
    }
  }

  private static void page(HttpExchange exchange, int number) throws IOException {
    if (number < 3) {
      exchange
          .getResponseHeaders()
          .add(
              "Link",
              "</page?page=1>; rel=\"first\", </page?page=%d>; rel=\"next\"".formatted(number + 1));
    }
    String next = number < 3 ? String.valueOf(number + 1) : "null";
    String address = number < 3 ? "\"?page=" + (number + 1) + "\"" : "null";
    String items = number <= 3 ? "%d1,%d2".formatted(number, number) : "";
    answer(
        exchange, 200, "{\"items\":[%s],\"next\":%s,\"more\":%s}".formatted(items, next, address));
  }

  private static void answer(HttpExchange exchange, int status, String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    boolean head = exchange.getRequestMethod().equals("HEAD");
    exchange.sendResponseHeaders(status, bytes.length == 0 || head ? -1 : bytes.length);
    if (!head) {
      exchange.getResponseBody().write(bytes);
    }
    exchange.close();
  }
}
