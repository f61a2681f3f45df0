package org.oddlantern.dist.reference;

import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.Runner;

/** Runs {@link ExamplesTest} and reads what is printed of each case. */
final class Examples {

  static final String BODY = """
      {
        "id": 7, "label": "Foxglove", "kind": "stack", "strength": 0.82, "locked": false, "note": "",
        "registered": "2026-05-01", "checked": "2026-05-12T09:30:00Z",
        "keeper": { "name": "Wren", "mail": "wren@fennelhill.example" },
        "frames": [ { "number": 1, "honey": 1.5 }, { "number": 2, "honey": 0.5 }, { "number": 2, "honey": 2.25 } ],
        "tags": [ "south", "orchard" ]
      }""";

  private static final Path SOURCE =
      Path.of("src/test/java/org/oddlantern/dist/reference/ExamplesTest.java");
  private static final Map<String, String> FILES = Map.of(
      "/hive.json", BODY,
      "/hive.xml", "<hive><label>Foxglove</label></hive>",
      "/note.txt", "All is well.");
  private static final Map<String, String> TYPES =
      Map.of("json", "application/json", "xml", "application/xml", "txt", "text/plain");

  private Examples() {}

  /** By the name of the check. */
  static Map<String, Example> all() throws IOException {
    Map<String, Example> examples = new LinkedHashMap<>();
    String printed = printed();
    Matcher method = Pattern.compile(
            "(?s)  @Case\\(\"(\\w+)\"\\)\n  void \\w+\\(\\) \\{\n(.*?)\n  }\n")
        .matcher(Files.readString(SOURCE));
    while (method.find()) {
      String name = method.group(1);
      examples.put(name, new Example(method.group(2).stripIndent(), of(name, printed)));
    }
    return examples;
  }

  private static String printed() throws IOException {
    return printedOf("ExamplesTest");
  }

  /** What the console shows of a suite in this package. */
  static String printedOf(String suite) throws IOException {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      String path = exchange.getRequestURI().getPath();
      byte[] body = FILES.getOrDefault(path, BODY).getBytes(StandardCharsets.UTF_8);
      exchange
          .getResponseHeaders()
          .set(
              "Content-Type",
              TYPES.getOrDefault(path.substring(path.lastIndexOf('.') + 1), "application/json"));
      exchange.sendResponseHeaders(200, body.length);
      try (OutputStream out = exchange.getResponseBody()) {
        out.write(body);
      }
    });
    server.start();
    try {
      return printed(suite, "http://127.0.0.1:" + server.getAddress().getPort());
    } finally {
      server.stop(0);
    }
  }

  private static String printed(String suite, String address) throws IOException {
    ClassLoader loader = Examples.class.getClassLoader();
    Path classes = Path.of("target/test-classes").toAbsolutePath();
    Settings settings = SettingsFile.onClassPath(loader).movedTo(Map.of("beeyard", address));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    RunOrder order = new RunOrder(
        "examples",
        new Planner(loader, List.of(new Place(classes))).plan(new Selection(List.of(suite))),
        settings,
        settings.environment(null),
        Map.of(),
        loader,
        "fennel",
        1);
    new Runner(order, Clock.systemUTC())
        .run(List.of(new ConsoleReport(
            new PrintStream(out, true, StandardCharsets.UTF_8), new Style(false))));
    return out.toString(StandardCharsets.UTF_8).replace(address, "http://127.0.0.1:7411/api");
  }

  /** The findings of one case, without where and when. */
  private static String of(String name, String printed) {
    List<String> lines = printed
        .lines()
        .dropWhile(line -> !line.matches("failed +[\\d.]+ m?s  " + name + "(  .*)?"))
        .skip(1)
        .takeWhile(line -> line.startsWith("          "))
        .filter(line -> !line.matches(
            " +(at ExamplesTest.*|GET http.*|received .*|repeat .*|trace .*|kept .*|described .*)"))
        .map(line -> line.replaceAll("\\b\\d+(\\.\\d+)? m?s\\b", "4 ms")
            .replaceAll("\\d+ tr(?:ies|y), none", "3 tries, none"))
        .toList();
    if (lines.isEmpty()) {
      throw new IllegalStateException(name + " did not fail: " + printed);
    }
    return String.join("\n", lines).stripIndent().lines().collect(Collectors.joining("\n"));
  }
}
