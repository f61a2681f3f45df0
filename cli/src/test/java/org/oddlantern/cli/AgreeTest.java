package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Agreeing on replies from the command line. */
class AgreeTest {

  private static final String SUITE = """
      import static org.oddlantern.check.Checks.*;
      import org.oddlantern.config.Environment;
      import org.oddlantern.http.*;
      import org.oddlantern.suite.Case;
      public class HiveTest {
        private final Service api;
        HiveTest(Environment environment) { api = environment.service("api"); }
        @Case("a hive is shown") void shown() {
          api.send(Call.get("/hives/1")).must(status(200), asAgreed().but("$.id", wholeNumber()));
        }
        @Case("another is shown") void other() {
          api.send(Call.get("/hives/2")).must(status(200), asAgreed().but("$.id", wholeNumber()));
        }
        @Case("the season is told") void season() {
          api.send(Call.get("/season")).must(status(200), asAgreed("now"));
        }
      }
      """;

  private static final Path AGREED = Path.of("agreed", "HiveTest");

  private volatile String hive = "{\"label\":\"Foxglove\",\"id\":7,\"version\":1}";
  private HttpServer server;
  private String classes = "";

  @BeforeEach
  void start() throws IOException {
    Shell.emptyFolder();
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      boolean text = exchange.getRequestURI().getPath().equals("/season");
      byte[] body = (text ? "spring" : hive).getBytes(StandardCharsets.UTF_8);
      exchange.getResponseHeaders().add("Content-Type", text ? "text/plain" : "application/json");
      exchange.sendResponseHeaders(200, body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.start();
    Shell.write(
        "odd-lantern.yaml",
        "environments: { here: { services: { api: { url: \"http://127.0.0.1:"
            + server.getAddress().getPort() + "\" } } } }\n");
    classes = Shell.compiled("HiveTest", SUITE).toString();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  @Test
  void whatIsNewIsShownAndWrittenOnlyIfSomebodySaysYes() throws IOException {
    String run = Shell.says(1, "run", classes);
    assertTrue(run.contains("nothing is agreed on yet; this was received: spring"), run);
    assertTrue(run.contains("'odd-lantern agree' shows it and writes the file"), run);

    String nobody = Shell.says("", 1, "agree");
    assertTrue(nobody.contains("there is nobody to answer: --yes agrees"), nobody);
    assertTrue(nobody.contains("0 agreed on, 3 left"), nobody);
    assertFalse(Files.exists(AGREED));

    String some = Shell.says("n\nperhaps\ny\ne\n", 1, "agree");
    assertTrue(
        some.contains("new       a hive is shown\n          agreed/HiveTest/shown.json"), some);
    assertTrue(some.contains("            \"label\": \"Foxglove\",\n"), some);
    assertTrue(some.contains("agreed    agreed/HiveTest/other.json\n"), some);
    assertTrue(some.contains("\n1 agreed on, 2 left\n"), some);
    assertFalse(Files.exists(AGREED.resolve("shown.json")));
    assertEquals(
        "{\n  \"label\": \"Foxglove\",\n  \"id\": 7,\n  \"version\": 1\n}\n",
        Files.readString(AGREED.resolve("other.json")));

    String rest = Shell.says(0, "agree", "--yes");
    assertTrue(rest.contains("\n2 agreed on\n"), rest);
    assertFalse(rest.contains("other.json"), rest);
    assertEquals("spring\n", Files.readString(AGREED.resolve("season.now.txt")));
    assertTrue(Shell.says(0, "run", classes).contains("3 passed"));
    assertEquals("nothing waits: every reply is as agreed on\n", Shell.says(0, "agree"));
  }

  @Test
  void whatCannotBeWrittenIsSaidAndWhatWasBeforeItIsWritten() throws IOException {
    Shell.says(1, "run", classes);
    Files.createDirectories(AGREED.resolve("season.now.txt"));
    Shell.Output output = Shell.run("agree", "--yes");
    assertEquals(2, output.status());
    assertTrue(
        output.err().contains("agreed/HiveTest/season.now.txt cannot be written ("), output.err());
    assertTrue(Files.exists(AGREED.resolve("shown.json")));
  }

  @Test
  void repliesThatDifferAlikeAreOneQuestionAndNothingElseChangesInTheirFiles() throws IOException {
    Shell.says(1, "run", classes);
    Shell.says(0, "agree", "--yes");
    Shell.write(
        AGREED.resolve("shown.json").toString(),
        "{\"id\": 1,\n\"version\": 1, \"label\": \"Foxglove\"}\n");
    hive = "{\"version\":2,\"id\":12,\"label\":\"Foxglove\",\"kind\":\"stack\"}";
    Shell.says(1, "run", classes);
    String told = Shell.says("y\n", 0, "agree");
    assertTrue(told.contains("differs   a hive is shown and 1 more\n"), told);
    assertTrue(
        told.contains("          at      $.version\n          wanted  1\n          got     2\n"),
        told);
    assertTrue(
        told.contains("\n\nagree?    [y]es, to all 2, [n]o, [a]ll that wait, [e]nd: "), told);
    assertFalse(told.contains("$.id"), told);
    assertEquals(
        "{\n  \"id\": 1,\n  \"version\": 2,\n  \"label\": \"Foxglove\",\n  \"kind\": \"stack\"\n}\n",
        Files.readString(AGREED.resolve("shown.json")));
    assertEquals(
        "{\n  \"label\": \"Foxglove\",\n  \"id\": 7,\n  \"version\": 2,\n  \"kind\": \"stack\"\n}\n",
        Files.readString(AGREED.resolve("other.json")));
    assertTrue(Shell.says(0, "run", classes).contains("3 passed"));
  }

  @Test
  void casesAreChosenAsElsewhereAndFilesGoWhereTheyAreWanted() throws IOException {
    Shell.says(1, "run", classes);
    for (String nothing : new String[] {"HoneyTest", "HiveTest#show", "the bees*"}) {
      Shell.Output none = Shell.run("agree", "--yes", "--case", nothing);
      assertEquals(2, none.status());
      assertTrue(none.err().contains("no case of that run is called " + nothing), none.err());
      assertEquals(
          nothing.contains("#"), none.err().contains("did you mean 'HiveTest#shown'?"), none.err());
    }
    Shell.write("there/x.txt", "");
    String told = Shell.says(
        0,
        "agree",
        "--yes",
        "--into",
        "there",
        "--case",
        "HiveTest#shown",
        "--case",
        "THE season*");
    assertTrue(told.contains("\n2 agreed on\n"), told);
    assertTrue(Files.exists(Path.of("there").resolve(AGREED).resolve("shown.json")));
    assertFalse(Files.exists(AGREED));
    Shell.Output wrong = Shell.run("agree", "--into", "nowhere");
    assertEquals(2, wrong.status());
    assertTrue(wrong.err().contains("--into names nowhere, which is no folder"), wrong.err());
    Shell.Output none = Shell.run("agree", "none.jsonl");
    assertEquals(2, none.status());
    assertTrue(none.err().contains("there is no journal none.jsonl; run the suites"), none.err());
  }

  @Test
  void filesThatNobodyAsksForAreNamed() throws IOException {
    Shell.says(1, "run", classes);
    Shell.says(0, "agree", "--yes");
    Shell.says(0, "run", classes);
    assertEquals("every file is asked for\n", Shell.says(0, "agree", "--unused"));
    Shell.write(AGREED.resolve("gone.json").toString(), "{}");
    assertEquals("unused    agreed/HiveTest/gone.json\n", Shell.says(0, "agree", "--unused"));
    hive = "{}";
    Shell.says(1, "run", classes);
    assertTrue(Shell.says(0, "agree", "--unused")
        .contains("note      2 cases of this run did not pass, and may not have come to ask"));
  }
}
