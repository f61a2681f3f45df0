package org.oddlantern.dist.reference;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.oddlantern.dist.Command;
import org.oddlantern.dist.Sources;

/** What each outcome and each mark is on the console, in JUnit XML, in the build and as an exit status. */
final class OutcomePage {

  private static final Path SOURCE =
      Path.of("src/test/java/org/oddlantern/dist/reference/OutcomesTest.java");
  private static final String RECORDS = "../core/src/main/java/org/oddlantern/internal/record/";

  private static final Map<String, String> IN_THE_BUILD = Map.of(
      "failed", "failure",
      "errored", "error",
      "blocked", "skipped; the first of what nothing red blocks is an error",
      "interrupted", "error",
      "skipped", "skipped",
      "pending", "skipped",
      "known fault", "skipped");

  private final Path folder;
  private final Path classes;
  private final String address;

  private OutcomePage(Path folder, Path classes, String address) {
    this.folder = folder;
    this.classes = classes;
    this.address = address;
  }

  static String text(Path folder) throws Exception {
    Path classes = Sources.compile(
        folder, "org.oddlantern.dist.reference.OutcomesTest", Files.readString(SOURCE));
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      exchange.sendResponseHeaders(200, -1);
      exchange.close();
    });
    server.start();
    try {
      return new OutcomePage(
              folder, classes, "http://127.0.0.1:" + server.getAddress().getPort())
          .text();
    } finally {
      server.stop(0);
    }
  }

  private String text() throws Exception {
    Files.writeString(folder.resolve("odd-lantern.yaml"), """
        environment: here
        environments:
          here: { services: { yard: { url: "%s", description: yard.yaml } } }
        """.formatted(address));
    Files.writeString(folder.resolve("yard.yaml"), """
        openapi: 3.0.3
        info: { title: Yard, version: "1" }
        paths: { /: { get: { responses: { "200": { description: all is well } } } } }
        """);
    StringBuilder page = new StringBuilder("""
        # Outcomes and marks

        How a test can end (passed, failed, errored, skipped, flaky and more), and what that is on the console, in JUnit XML, in the build and for the exit status. Written by a test from the code and from runs. [Outcomes](../suites.md#outcomes) shows the annotations.

        The exit status is that of `odd-lantern run` with this case alone; `--fail-on` makes a run stricter: `warned`, `unproven`, `fixed`, `flaky`, `skipped`, `pending`, `undescribed`.

        """);
    table(page, "outcome", meanings("Outcome.java"));
    page.append("\nA mark is what else there is to say of a case:\n\n");
    table(page, "mark", meanings("Mark.java"));
    return page.append("""

        Exit statuses of the command: 0 all passed; 1 something failed, errored, was blocked or left behind; 2 wrong use, settings or plan; 3 nothing was selected, or nothing ran; 130 the run was stopped (Ctrl-C, SIGTERM).
        """).toString();
  }

  private void table(StringBuilder page, String heading, Map<String, String> meanings)
      throws Exception {
    page.append("| ").append(heading);
    page.append(
        " | meaning | console | JUnit XML | `mvn test` | exit status |\n|---|---|---|---|---|---|\n");
    for (Map.Entry<String, String> one : meanings.entrySet()) {
      page.append("| ")
          .append(one.getKey())
          .append(" | ")
          .append(one.getValue())
          .append(" | ");
      page.append(
          one.getKey().equals("needed")
              ? "`passed`, `(needed)` | as it ended | as it ended | as it ended"
              : run(one.getKey()));
      page.append(" |\n");
    }
  }

  private String run(String outcome) throws Exception {
    Matcher words = Pattern.compile(" (\\w)").matcher(outcome);
    String method = words.replaceAll(found -> found.group(1).toUpperCase(Locale.ROOT));
    List<String> line = new ArrayList<>(List.of(
        "run",
        classes.toString(),
        "--case",
        "OutcomesTest#" + method,
        "--out",
        "out-" + method,
        "--console",
        "exchanges"));
    if (outcome.equals("interrupted")) {
      line.addAll(List.of("--run-limit", "3s"));
    }
    Command.Output output = Command.in(folder).run(line.toArray(String[]::new));
    Matcher console = Pattern.compile(
            "(?m)^([a-z]+(?: fault)?) .*? " + method + "(?:  (\\(.*\\)))?(?: .*)?$")
        .matcher(output.out());
    if (!console.find()) {
      throw new IllegalStateException(outcome + " is not on the console: " + output);
    }
    String mark = console.group(2) == null ? "" : ", `" + console.group(2) + "`";
    return "`" + console.group(1) + "`" + mark + " | " + xml(method) + " | "
        + IN_THE_BUILD.getOrDefault(outcome, "passed") + " | " + output.status();
  }

  private String xml(String method) throws Exception {
    Path folderOfXml = folder.resolve("out-" + method + "/junit-xml");
    try (Stream<Path> files = Files.list(folderOfXml)) {
      String xml = Files.readString(files.findFirst().orElseThrow());
      Matcher child = Pattern.compile(
              "<testcase[^>]* name=\"" + method + "\"[^>]*?(/>|>\\s*</?([\\w-]+))")
          .matcher(xml);
      if (!child.find()) {
        throw new IllegalStateException("no test case " + method + " in " + xml);
      }
      String element = String.valueOf(child.group(2));
      return element.matches("failure|error|skipped") ? "`<" + element + ">`" : "passed";
    }
  }

  /** Each constant in words, with its comment. */
  private static Map<String, String> meanings(String file) throws Exception {
    Map<String, String> meanings = new LinkedHashMap<>();
    Matcher one = Pattern.compile("/\\*\\* ([^*]+) \\*/\\s+([A-Z_]+)[,;]")
        .matcher(Files.readString(Path.of(RECORDS + file)));
    while (one.find()) {
      meanings.put(
          one.group(2).toLowerCase(Locale.ROOT).replace('_', ' '),
          one.group(1).replaceAll("\\{@code (.*?)}", "`$1`"));
    }
    return meanings;
  }
}
