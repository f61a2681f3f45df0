package org.oddlantern.dist.pages;

import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.net.http.WebSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.oddlantern.dist.Fetched;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A headless Chromium, driven by its own debugging protocol over a web socket. */
final class Browser implements AutoCloseable {

  private static final int SECONDS = 90;

  private final Process process;
  private final Path profile;
  private final WebSocket socket;
  private final Answers answers;
  private final AtomicInteger ids = new AtomicInteger();

  private Browser(Process process, Path profile, WebSocket socket, Answers answers) {
    this.process = process;
    this.profile = profile;
    this.socket = socket;
    this.answers = answers;
  }

  /** The program; empty if none is installed. */
  static Optional<Path> program() {
    return Stream.of(System.getenv("PATH").split(File.pathSeparator))
        .flatMap(folder -> Stream.of("chromium", "chromium-browser", "google-chrome")
            .map(name -> Path.of(folder, name)))
        .filter(Files::isExecutable)
        .findFirst();
  }

  /** Ends the tests here where none is installed, unless it must be. */
  static void assumeInstalled() {
    boolean installed = program().isPresent();
    assertTrue(installed || !Fetched.isRequired(), "CI wants a browser: install chromium");
    assumeTrue(installed, "no browser is installed (chromium), so pages are not looked at");
  }

  static Browser started() throws Exception {
    Path profile = Files.createTempDirectory("browser");
    Process process = new ProcessBuilder(List.of(
            program().orElseThrow().toString(),
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--remote-debugging-port=0",
            "--remote-allow-origins=*",
            "--user-data-dir=" + profile,
            "about:blank"))
        .redirectErrorStream(true)
        .redirectOutput(profile.resolve("log.txt").toFile())
        .start();
    Path told = profile.resolve("DevToolsActivePort");
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
    while (!Files.exists(told) || Files.readAllLines(told).size() < 2) {
      if (System.nanoTime() > end) {
        process.destroyForcibly();
        throw new IOException(
            "the browser did not start:\n" + Files.readString(profile.resolve("log.txt")));
      }
      Thread.sleep(20);
    }
    String port = Files.readAllLines(told).get(0);
    HttpClient client = HttpClient.newHttpClient();
    String pages = client
        .send(
            HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/json/list"))
                .build(),
            BodyHandlers.ofString())
        .body();
    String address = "";
    for (JsonNode page : JsonMapping.standard().parse(pages)) {
      if (page.path("type").asString("").equals("page")) {
        address = page.path("webSocketDebuggerUrl").asString("");
      }
    }
    Answers answers = new Answers();
    WebSocket socket = client
        .newWebSocketBuilder()
        .buildAsync(URI.create(address), answers)
        .get(SECONDS, TimeUnit.SECONDS);
    Browser browser = new Browser(process, profile, socket, answers);
    browser.send("Page.enable", Map.of());
    browser.send("Runtime.enable", Map.of());
    return browser;
  }

  void size(int width, int height) throws Exception {
    send(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
  }

  void dark(boolean dark) throws Exception {
    send(
        "Emulation.setEmulatedMedia",
        Map.of(
            "features",
            List.of(Map.of("name", "prefers-color-scheme", "value", dark ? "dark" : "light"))));
  }

  void withScripts(boolean allowed) throws Exception {
    send("Emulation.setScriptExecutionDisabled", Map.of("value", !allowed));
  }

  /** Opens a page and waits until it is loaded. */
  void open(String address) throws Exception {
    CompletableFuture<JsonNode> loaded = answers.event("Page.loadEventFired");
    send("Page.navigate", Map.of("url", address));
    loaded.get(SECONDS, TimeUnit.SECONDS);
  }

  /** The value of an expression; a promise is waited for. */
  JsonNode value(String expression) throws Exception {
    JsonNode answer = send(
        "Runtime.evaluate",
        Map.of("expression", expression, "returnByValue", true, "awaitPromise", true));
    if (answer.has("exceptionDetails")) {
      throw new IllegalStateException(answer.path("exceptionDetails").toString());
    }
    return answer.path("result").path("value");
  }

  String text(String expression) throws Exception {
    return value(expression).asString("");
  }

  int number(String expression) throws Exception {
    return value(expression).asInt(-1);
  }

  /** Presses a key with a character. */
  void type(String characters) throws Exception {
    for (String key : characters.chars().mapToObj(Character::toString).toList()) {
      send("Input.dispatchKeyEvent", Map.of("type", "keyDown", "key", key, "text", key));
      send("Input.dispatchKeyEvent", Map.of("type", "keyUp", "key", key));
    }
  }

  /** Presses a key without one, like Escape or Tab. */
  void press(String key, int code) throws Exception {
    Map<String, Object> event =
        Map.of("type", "rawKeyDown", "key", key, "code", key, "windowsVirtualKeyCode", code);
    send("Input.dispatchKeyEvent", event);
    send(
        "Input.dispatchKeyEvent",
        Map.of("type", "keyUp", "key", key, "windowsVirtualKeyCode", code));
  }

  /** What is at the place of an element is clicked. */
  void click(String selector) throws Exception {
    value("document.querySelector(" + JsonMapping.standard().write(selector) + ").click()");
  }

  private JsonNode send(String method, Map<String, Object> parameters) throws Exception {
    int id = ids.incrementAndGet();
    CompletableFuture<JsonNode> answer = answers.of(id);
    socket
        .sendText(
            JsonMapping.standard().write(Map.of("id", id, "method", method, "params", parameters)),
            true)
        .get(SECONDS, TimeUnit.SECONDS);
    JsonNode told = answer.get(SECONDS, TimeUnit.SECONDS);
    if (told.has("error")) {
      throw new IllegalStateException(method + ": " + told.path("error"));
    }
    return told.path("result");
  }

  @Override
  public void close() throws IOException {
    socket.abort();
    process.descendants().forEach(ProcessHandle::destroyForcibly);
    process.destroyForcibly();
    process.onExit().join();
    try (Stream<Path> files = Files.walk(profile)) {
      files.sorted(Comparator.reverseOrder()).forEach(file -> file.toFile().delete());
    }
  }

  /** Brings answers to those who wait for them. */
  private static final class Answers implements WebSocket.Listener {
    private final Map<Integer, CompletableFuture<JsonNode>> byId = new ConcurrentHashMap<>();
    private final Map<String, CompletableFuture<JsonNode>> events = new ConcurrentHashMap<>();
    private final StringBuilder text = new StringBuilder();

    CompletableFuture<JsonNode> of(int id) {
      return byId.computeIfAbsent(id, key -> new CompletableFuture<>());
    }

    CompletableFuture<JsonNode> event(String name) {
      CompletableFuture<JsonNode> awaited = new CompletableFuture<>();
      events.put(name, awaited);
      return awaited;
    }

    @Override
    public CompletionStage<?> onText(WebSocket socket, CharSequence data, boolean last) {
      text.append(data);
      if (last) {
        JsonNode told = JsonMapping.standard().parse(text.toString());
        text.setLength(0);
        if (told.has("id")) {
          of(told.path("id").asInt(0)).complete(told);
        } else {
          CompletableFuture<JsonNode> awaited =
              events.remove(told.path("method").asString(""));
          if (awaited != null) {
            awaited.complete(told.path("params"));
          }
        }
      }
      socket.request(1);
      return null;
    }
  }
}
