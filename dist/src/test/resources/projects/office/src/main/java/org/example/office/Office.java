package org.example.office;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Keeps notes in PostgreSQL, for keepers who have logged in with a browser. */
public final class Office implements AutoCloseable {

  private static final String PAGE = """
      <!doctype html>
      <title>The yard office</title>
      <form method="post" action="/login">
        <input type="hidden" name="form" value="%s">
        <input name="keeper"> <input name="password" type="password"> <button>Log in</button>
      </form>
      """;

  private static final String TABLE = """
      create table if not exists note (
        id uuid primary key,
        keeper text not null,
        at timestamptz not null default now(),
        weights numeric(5,2)[] not null default '{}',
        about jsonb not null)
      """;

  private final Set<String> forms = ConcurrentHashMap.newKeySet();
  private final Set<String> sessions = ConcurrentHashMap.newKeySet();
  private final String database;
  private final HttpServer server;

  public Office(String database) throws IOException, SQLException {
    this.database = database;
    try (Connection store = DriverManager.getConnection(database)) {
      store.createStatement().execute(TABLE);
    }
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/login", this::login);
    server.createContext("/notes", this::notes);
    server.start();
  }

  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  private void login(HttpExchange exchange) throws IOException {
    if (exchange.getRequestMethod().equals("GET")) {
      String form = UUID.randomUUID().toString();
      forms.add(form);
      answer(exchange, 200, "text/html; charset=utf-8", PAGE.formatted(form));
      return;
    }
    String sent = text(exchange);
    boolean known = forms.remove(field(sent, "form"));
    if (!known || !field(sent, "password").equals("honey-and-thyme")) {
      answer(exchange, 403, "text/html; charset=utf-8", "<title>Once more</title>");
      return;
    }
    String session = UUID.randomUUID().toString();
    sessions.add(session);
    exchange.getResponseHeaders().add("Set-Cookie", "office=" + session + "; HttpOnly; Path=/");
    exchange.getResponseHeaders().add("Location", "/notes");
    answer(exchange, 303, "text/plain", "");
  }

  private void notes(HttpExchange exchange) throws IOException {
    String cookie = String.valueOf(exchange.getRequestHeaders().getFirst("Cookie"));
    if (!sessions.contains(cookie.replaceFirst("^office=", ""))) {
      answer(exchange, 401, "application/json", "{\"error\":\"log in first\"}");
      return;
    }
    try (Connection store = DriverManager.getConnection(database)) {
      if (exchange.getRequestMethod().equals("POST")) {
        UUID id = UUID.randomUUID();
        PreparedStatement insert = store.prepareStatement(
            "insert into note (id, keeper, weights, about) values (?, 'wren', '{32.50,8.00}', ?::jsonb)");
        insert.setObject(1, id);
        insert.setString(2, text(exchange));
        insert.executeUpdate();
        answer(exchange, 201, "application/json", "{\"id\":\"" + id + "\"}");
        return;
      }
      ResultSet count = store.createStatement().executeQuery("select count(*) from note");
      count.next();
      answer(exchange, 200, "application/json", "{\"notes\":" + count.getInt(1) + "}");
    } catch (SQLException e) {
      answer(exchange, 500, "text/plain", e.getMessage());
    }
  }

  private static String field(String form, String name) {
    Matcher field = Pattern.compile("(?:^|&)" + name + "=([^&]*)").matcher(form);
    return field.find() ? URLDecoder.decode(field.group(1), StandardCharsets.UTF_8) : "";
  }

  private static String text(HttpExchange exchange) throws IOException {
    return new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
  }

  private static void answer(HttpExchange exchange, int status, String type, String text)
      throws IOException {
    byte[] body = text.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", type);
    exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
    if (body.length > 0) {
      exchange.getResponseBody().write(body);
    }
    exchange.close();
  }

  @Override
  public void close() {
    server.stop(0);
  }
}
