package org.oddlantern.dist.sweep;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.dist.Command;
import org.oddlantern.json.internal.JsonMapping;

/** Plants secrets everywhere, runs the command with all logging on, and looks at every byte it wrote. */
class SecretSweepIT {

  @TempDir
  Path folder;

  @Test
  void noSecretIsInAnyByteOfAnyOutput() throws Exception {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", SecretSweepIT::answer);
    server.start();
    String address = "http://127.0.0.1:" + server.getAddress().getPort();
    Files.writeString(folder.resolve("token.txt"), SecretPlacesTest.IN_FILE + "\n");
    Files.writeString(folder.resolve("odd-lantern.yaml"), """
        environments:
          here:
            services:
              sweep: { url: "%s", bearer: "${SWEEP_TOKEN}", headers: { X-Api-Key: "${SWEEP_TOKEN}" } }
              filed: { url: "%s", keyInHeader: { name: X-Key, key: { file: token.txt } } }
            databases:
              store: { url: "jdbc:h2:mem:sweep", user: sa, password: "${SWEEP_TOKEN}" }
        mask: [ "X-Named", "$.password", "$.pin" ]
        """.formatted(address, address));
    Path out = folder.resolve("out");
    Command command = Command.in(folder)
        .with("SWEEP_TOKEN", SecretPlacesTest.VARIABLE)
        .with("JDK_JAVA_OPTIONS", "-Dorg.slf4j.simpleLogger.defaultLogLevel=trace");
    Path place = Path.of(
        SecretSweepIT.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    Command.Output run = command.run(
        "run",
        place.toString(),
        "--case",
        "SecretPlacesTest",
        "--class-path",
        Command.demoLibraries(),
        "--debug",
        "--har",
        "--blind-spots",
        "--out",
        out.toString());
    Command.Output settings = command.run("settings");
    server.stop(0);
    assertEquals(1, run.status(), run.out() + run.err());
    String connections = Files.readString(out.resolve("connections.log"));
    assertTrue(connections.contains("received status 200"), connections);
    assertFalse(run.err().contains("DEBUG"), "the libraries inside are silent: " + run.err());
    assertTrue(run.out().contains("$SWEEP_TOKEN"), run.out());
    assertTrue(run.out().contains("printing ***"), run.out());
    assertTrue(
        Files.readString(out.resolve("blind-spots.json")).contains("\"watch\":\"not at all\""),
        run.out());

    Map<String, String> texts = new LinkedHashMap<>();
    texts.put(
        "console", run.out().replace(SecretPlacesTest.LATE, "what was told before it was known"));
    texts.put("log", run.err());
    texts.put("settings", settings.out() + settings.err());
    try (Stream<Path> files = Files.walk(out)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        texts.put(
            file.toString(),
            Files.readString(file, StandardCharsets.ISO_8859_1)
                + new String(Files.readAllBytes(file), StandardCharsets.UTF_8)
                + decoded(new String(Files.readAllBytes(file), StandardCharsets.UTF_8)));
      }
    }
    assertTrue(texts.size() > 5, texts.keySet().toString());
    List<String> found = new ArrayList<>();
    texts.forEach((where, text) -> forms().forEach(form -> {
      int at = text.indexOf(form);
      if (at >= 0) {
        found.add(
            where + ": " + text.substring(Math.max(0, at - 60), Math.min(text.length(), at + 60)));
      }
    }));
    assertEquals(List.of(), found);
  }

  /** As a page or a program reads it that undoes escapes, twice. */
  private static String decoded(String text) {
    String once = text;
    for (int i = 0; i < 3; i++) {
      once = once.replace("&#43;", "+").replace("&#x2F;", "/").replace("&amp;", "&");
      once = java.util.regex.Pattern.compile("\\\\u([0-9a-fA-F]{4})")
          .matcher(once)
          .replaceAll(found -> java.util.regex.Matcher.quoteReplacement(
              String.valueOf((char) Integer.parseInt(found.group(1), 16))));
      once = once.replace("\\\\", "\\").replace("\\\"", "\"").replace("\\/", "/");
    }
    return once;
  }

  private static List<String> forms() {
    List<String> forms = new ArrayList<>(
        List.of("\"p7\"", "&quot;p7&quot;", "Zq9f0lkvWm3X7aP", "Zq9f0lkvW", "\"xyz\""));
    for (String secret : List.of(
        SecretPlacesTest.ODD,
        SecretPlacesTest.PLAIN,
        SecretPlacesTest.VARIABLE,
        SecretPlacesTest.IN_FILE,
        SecretPlacesTest.FETCHED,
        SecretPlacesTest.RENEWED,
        SecretPlacesTest.LATE,
        SecretPlacesTest.ESCAPED,
        SecretPlacesTest.SHORT_COOKIE,
        SecretPlacesTest.NAMED)) {
      String quoted = JsonMapping.standard().write(secret);
      String escaped = quoted.substring(1, quoted.length() - 1);
      forms.add(secret);
      forms.add(escaped);
      String twice = JsonMapping.standard().write(escaped);
      forms.add(twice.substring(1, twice.length() - 1));
      forms.add(URLEncoder.encode(secret, StandardCharsets.UTF_8));
      forms.add(URLEncoder.encode(secret, StandardCharsets.UTF_8).replace("+", "%20"));
      forms.add(secret.replace("&", "&amp;").replace("<", "&lt;"));
      forms.add(secret.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&#34;"));
      for (String before : List.of("", "x", "xx", "wren:")) {
        byte[] bytes = (before + secret).getBytes(StandardCharsets.UTF_8);
        String encoded = Base64.getEncoder().withoutPadding().encodeToString(bytes);
        forms.add(encoded.substring(
            before.isEmpty() ? 0 : before.length() * 8 / 6 + 2, encoded.length() - 3));
      }
    }
    return forms;
  }

  /** Says again what it was told, plain and in every encoding. */
  private static void answer(HttpExchange exchange) throws IOException {
    String path = exchange.getRequestURI().getPath();
    String sent = exchange.getRequestURI() + "\n" + exchange.getRequestHeaders().entrySet() + "\n"
        + new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
    if (path.equals("/token")) {
      boolean first = exchange.getHttpContext().getAttributes().put("fetched", true) == null;
      String token = first ? SecretPlacesTest.FETCHED : SecretPlacesTest.RENEWED;
      answer(exchange, 200, "{\"token\":\"" + token + "\"}");
    } else if (path.equals("/guarded")) {
      boolean renewed = sent.contains(SecretPlacesTest.RENEWED);
      answer(exchange, renewed ? 200 : 401, JsonMapping.standard().write(sent));
    } else if (path.equals("/named")) {
      answer(exchange, 200, "{\"pin\": \"p7\", \"password\": \"" + SecretPlacesTest.NAMED + "\"}");
    } else if (path.equals("/cut")) {
      String text = sent.substring(sent.lastIndexOf('\n') + 1);
      answer(exchange, 200, "{\"cut\": \"" + text + "\"}");
    } else if (path.equals("/chunks")) {
      exchange.sendResponseHeaders(200, 0);
      for (char c : SecretPlacesTest.PLAIN.toCharArray()) {
        exchange.getResponseBody().write(c);
        exchange.getResponseBody().flush();
      }
      exchange.close();
    } else if (path.equals("/escaped")) {
      String unicode = SecretPlacesTest.ESCAPED.replace("+", "\\u002B").replace("P", "\\u0050");
      String twice = unicode.replace("\\", "\\\\");
      String xml = SecretPlacesTest.ESCAPED.replace("+", "&#43;").replace("/", "&#x2F;");
      answer(
          exchange,
          200,
          "{\"a\":\"%s\",\"b\":\"{\\\"c\\\":\\\"%s\\\"}\",\"x\":\"<t>%s</t>\"}"
              .formatted(unicode, twice, xml));
    } else if (path.equals("/cookie")) {
      exchange.getResponseHeaders().add("Set-Cookie", "s=" + SecretPlacesTest.SHORT_COOKIE);
      answer(exchange, 200, "{\"s\":\"" + SecretPlacesTest.SHORT_COOKIE + "\"}");
    } else if (path.startsWith("/status/")) {
      answer(exchange, 500, sent);
    } else {
      byte[] bytes = sent.getBytes(StandardCharsets.UTF_8);
      answer(
          exchange,
          200,
          JsonMapping.standard()
              .write(Map.of(
                  "plain", sent,
                  "percent", URLEncoder.encode(sent, StandardCharsets.UTF_8),
                  "base64", Base64.getEncoder().encodeToString(bytes))));
    }
  }

  private static void answer(HttpExchange exchange, int status, String body) throws IOException {
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    exchange.sendResponseHeaders(status, bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }
}
