package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What each command tells about suites, settings, journals and files, on a small service. */
class CommandsTest {

  private static final String SUITE = """
      import static org.oddlantern.check.Checks.*;
      import org.oddlantern.config.Environment;
      import org.oddlantern.http.*;
      import org.oddlantern.suite.*;

      public class YardTest {
        public record HiveId(int value) {}
        private final Service yard;
        YardTest(Environment env) { yard = env.service("yard"); }

        @Case("a hive is registered")
        HiveId register() {
          return new HiveId(yard.send(Call.post("/hives").json("{}")
              .undoneBy(reply -> Call.delete("/hives/{id}", 4)))
              .must(status(200)).valueAt("$.id", int.class));
        }

        @Case("it is read") void read(HiveId id) {
          yard.send(Call.get("/hives/{id}", id.value())).must(at("$.label", "Foxglove"));
        }

        @Case("it is moved") @Alone void move(@Changes HiveId id) {
          yard.send(Call.put("/hives/{id}", id.value()).json("{}")).warnUnless(status(201));
        }
      }
      """;

  private final Path folder = Shell.emptyFolder();
  private HttpServer server;
  private String classes = "";

  @BeforeEach
  void start() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      byte[] body = "{\"id\": 4, \"label\": \"Foxglove\"}".getBytes(StandardCharsets.UTF_8);
      exchange.getRequestBody().readAllBytes();
      exchange.getResponseHeaders().add("Content-Type", "application/json");
      exchange.sendResponseHeaders(200, body.length);
      try (OutputStream out = exchange.getResponseBody()) {
        out.write(body);
      }
    });
    server.start();
    Shell.write(
        "odd-lantern.yaml",
        "environment: here\nenvironments:\n  here: { services: { yard: { url: \"http://127.0.0.1:"
            + server.getAddress().getPort()
            + "\", timeout: 60s, bearer: wax-and-wane } } }\n  there: { readOnly: true }\n");
    classes = Shell.compiled("YardTest", SUITE).toString();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  @Test
  void whatThereIsAndWhichVersionIsTold() {
    String help = Shell.says(0, "help", "run");
    assertTrue(help.contains("--without-tag") && help.contains("--times-from"), help);
    assertTrue(Shell.says(0, "--help").contains("Commands:"), "commands are listed");
    assertTrue(Shell.says(0, "help").contains("COMMAND"), "help alone tells of all");
    assertFalse(Shell.says(0, "--version").isBlank());
    Shell.Output quiet = Shell.run("help", "run", "more");
    assertEquals(2, quiet.status());
  }

  @Test
  void theSchemaOfSettingsIsWrittenBesideThem() throws IOException {
    String told = Shell.says(0, "settings", "--schema");
    Path file = folder.resolve("odd-lantern.schema.json");
    assertTrue(told.startsWith("schema    " + file + "\n"), told);
    assertTrue(told.contains("# yaml-language-server: $schema=odd-lantern.schema.json"), told);
    Path settings = folder.resolve("odd-lantern.yaml");
    Files.writeString(
        settings,
        "# yaml-language-server: $schema=odd-lantern.schema.json\n" + Files.readString(settings));
    assertEquals("schema    " + file + "\n", Shell.says(0, "settings", "--schema"));
    assertTrue(Files.readString(file).contains("\"connectTimeout\""));
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      agr              | agree
      re               | report
      schema ch        | check
      run --fail       | --failed-in --fail-on
      agree --un       | --unused
      list --as xml    |
      """)
  void aShellCompletesWhatThereIs(String typed, String completed) throws Exception {
    String script = Shell.says(0, "completion");
    String words = "odd-lantern " + typed;
    Shell.write(
        "complete.sh",
        "compopt() { :; }\n" + script + """
        COMP_LINE='%s'; COMP_WORDS=(%s); COMP_CWORD=$((${#COMP_WORDS[@]} - 1)); COMP_POINT=${#COMP_LINE}
        %s
        echo "${COMPREPLY[@]}"
        """.formatted(words, words, "_complete_odd-lantern"));
    Process shell = new ProcessBuilder("bash", "complete.sh")
        .directory(folder.toFile())
        .redirectErrorStream(true)
        .start();
    String answer = new String(shell.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertEquals(completed == null ? "" : completed, answer.strip());
  }

  @Test
  void settingsAreToldWithTheirPlacesAndSecretsAreNot() {
    String told = Shell.says(0, "settings", "--set", "services.yard.timeout=9s");
    assertTrue(told.contains("environment  here"), told);
    assertTrue(told.contains("services.yard.timeout  9s "), told);
    assertTrue(told.contains("--set services.yard.timeout"), told);
    assertTrue(told.contains("***") && !told.contains("wax-and-wane"), told);
    assertTrue(Shell.says(0, "settings", "--env", "there").contains("readOnly  true"));
    assertEquals(2, Shell.run("settings", "--env", "nowhere").status());
  }

  @Test
  void suitesAreListedInEveryForm() {
    String text = Shell.says(0, "list", classes);
    assertTrue(text.contains("it is moved"), text);
    assertTrue(text.contains("takes HiveId and changes it"), text);
    assertTrue(Shell.says(0, "list", classes, "--as", "json").contains("\"YardTest#read\""));
    assertTrue(Shell.says(0, "list", classes, "--as", "markdown").contains("- it is read"));
    assertTrue(Shell.says(0, "list", classes, "--graph").contains("changed by   YardTest#move"));
    assertTrue(Shell.says(0, "list", classes, "--as", "dot").startsWith("digraph plan {"));
    assertEquals(2, Shell.run("list", classes, "--as", "song").status());
    String some = Shell.says(0, "list", classes, "--case", "YardTest#read");
    assertTrue(some.contains("it is read") && !some.contains("it is moved"), some);
    assertTrue(some.contains("not chosen, but needed by what is"), some);
    assertFalse(text.contains("not chosen"), text);
  }

  @Test
  void aRunIsToldAndItsExchangesAreDrawnUp() throws IOException {
    String told = Shell.says(
        0,
        "run",
        classes,
        "--console",
        "exchanges",
        "--har",
        "--har-of",
        "YardTest#read",
        "--run-limit",
        "5m");
    assertTrue(told.contains("\n3 passed in "), told);
    assertTrue(told.contains("1 thing put back, 0 left behind"), told);
    assertFalse(told.contains("wax-and-wane"), told);
    assertTrue(Files.readString(Path.of("odd-lantern-out/exchanges.har")).contains("/hives/4"));
    String samples = Shell.says(
        0, "schema", "sketch", "odd-lantern-out/journal.jsonl", "--replies-to", "GET /hives/{id}");
    assertTrue(samples.contains("\"label\": {"), samples);
    Shell.Output which = Shell.run("schema", "sketch", "odd-lantern-out/journal.jsonl");
    assertTrue(which.err().contains("choose by --replies-to"), which.err());
    String again = Shell.says(0, "report", "odd-lantern-out/journal.jsonl", "--out", "again");
    assertTrue(again.contains("report") && Files.exists(Path.of("again/report/index.html")), again);
    Shell.Output stranger = Shell.run("run", classes, "--env", "there");
    assertEquals(1, stranger.status(), stranger.out());
    assertTrue(stranger.out().contains("has no service 'yard'"), stranger.out());
    assertEquals(2, Shell.run("run", classes, "--run-limit", "soon").status());
    assertEquals(2, Shell.run("run", classes, "--console", "loud").status());
  }

  @Test
  void partsAreJoinedAndAMissingOneIsToldOf() throws IOException {
    Shell.says(0, "run", classes, "--part", "1/2", "--out", "parts/1");
    Shell.says(0, "run", classes, "--part", "2/2", "--out", "parts/2");
    String joined = Shell.says(0, "report", "parts", "--out", "joined");
    assertTrue(joined.contains("joined    2 journals\ntogether  All 3 cases passed."), joined);
    Shell.says(0, "run", classes, "--part", "1/3", "--out", "thirds/1");
    Shell.says(0, "run", classes, "--part", "2/3", "--out", "thirds/2");
    String missing = Shell.says(1, "report", "thirds", "--out", "short");
    assertTrue(missing.contains("part 3 of 3 is missing"), missing);
    Shell.Output same = Shell.run("report", "parts/1", "parts/2", "--out", "parts/1");
    assertTrue(same.err().contains("would replace parts/1/journal.jsonl"), same.err());
    assertEquals(2, Shell.run("report", "nowhere").status());
    assertEquals(2, Shell.run("report").status());
  }

  @Test
  void whatAPathFindsIsTold() throws IOException {
    Shell.write("hives.json", "{\"hives\": [{\"id\": 1}, {\"id\": 2, \"a'b\": [true]}]}");
    assertEquals(
        "$['hives'][1]['id']  2\n$['hives'][1]['a\\'b']  [true]\n",
        Shell.says(0, "path", "$.hives[?@.id > 1].*", "hives.json"));
    assertEquals(
        "nothing: the path ends at $, which is an object with hives; did you mean 'hives'?\n",
        Shell.says(1, "path", "$.hive[0]", "hives.json"));
    assertEquals("$[0]  7\n", Shell.says("[7]", 0, "path", "$[0]", "-"));
  }

  @Test
  void mavenIsAskedForTheClassPathOnceAndToldOfIfItFails() throws IOException {
    Shell.write("module/pom.xml", "<project/>");
    Path wrapper = folder.resolve("module/mvnw");
    Files.writeString(
        wrapper,
        "#!/bin/sh\necho asked >> asked\nfor word in \"$@\"; do case $word in -Dmdep.outputFile=*)"
            + " echo " + folder + " > \"${word#*=}\";; esac; done\n");
    Files.setPosixFilePermissions(wrapper, PosixFilePermissions.fromString("rwxr-xr-x"));
    Path target = Files.createDirectories(folder.resolve("module/target"));
    Files.move(Path.of(classes), target.resolve("test-classes"));
    for (int i = 0; i < 2; i++) {
      String list = Shell.says(0, "list", "module/target/test-classes");
      assertTrue(list.contains("it is read"), list);
    }
    assertEquals(List.of("asked"), Files.readAllLines(folder.resolve("module/asked")));
    Files.writeString(wrapper, "#!/bin/sh\necho the hive is shut\nexit 1\n");
    Files.writeString(folder.resolve("module/pom.xml"), "<project />\n");
    Shell.Output shut = Shell.run("list", "module/target/test-classes");
    assertEquals(2, shut.status());
    assertTrue(
        shut.err().contains("Maven could not give the class path in module:\nthe hive is shut"),
        shut.err());
  }
}
