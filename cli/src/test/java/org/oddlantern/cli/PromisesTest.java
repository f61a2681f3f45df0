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

/** Documents for people who do not program: in a run, on their page, in a list, and as a list makes them. */
class PromisesTest {

  private static final String SUITE = """
      import static org.oddlantern.check.Checks.*;
      import java.util.List;
      import org.oddlantern.config.Environment;
      import org.oddlantern.http.*;
      import org.oddlantern.suite.*;
      public class HiveTest {
        public record Hive(int id) {}
        public record Refused(String what, int status) {}
        private final Service api;
        HiveTest(Environment environment) { api = environment.service("api"); }
        @Samples static List<Refused> refused() { return SampleFile.read("refused.csv", Refused.class); }
        @Case("a hive is shown") void shown() { api.send(Call.get("/hives/1")).must(status(200)); }
        @Case("a hive is *moved*") Hive moved() {
          api.send(Call.get("/hives/1")).must(at("$.plot", "orchard"));
          return new Hive(1);
        }
        @Case("a moved hive is found") void found(Hive hive) {
          step("a hive is shown");
          step("it is looked for");
          api.send(Call.get("/hives/1")).must(status(200));
        }
        @Case("a hive <b>is</b> counted & weighed") void counted() { throw new IllegalStateException("no scale"); }
        @Case("1. hives are painted") @Pending void painted() {}
        @Case("hives are sold") @Skipped(why = "not before autumn") void sold() {}
        @Case("hives are lent") @KnownFault("HIVE-7") void lent() {
          api.send(Call.get("/hives/1")).must(status(404));
        }
        @Case("nothing is looked at") void nothing() {}
        @Case("a hive {what} is refused") void isRefused(Refused one) {
          api.send(Call.get("/hives/1")).must(status(one.status()));
        }
      }
      """;

  private static final String DOCUMENT = """
      # Hives <script>alert(1)</script>

      See [the other page](season.md), [the register](https://hives.example.org/?a=1&b=2)
      and [this](javascript:alert(2)) ![a picture](https://hives.example.org/p.png).

      - A hive is shown.
      - Hives can be relied on:
        - A hive is moved.
        - A moved hive is found.
      - A hive \\<b>is\\</b> counted \\& weighed.
      - Hives are sold.
      - Hives are lent.
      - Nothing is looked at.
      - A hive \\{what} is refused

        samples: refused.csv
      - [ ] A hive is *shone*.
      """;

  private HttpServer server;
  private String classes = "";

  @BeforeEach
  void start() throws IOException {
    Shell.emptyFolder();
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      byte[] body = "{\"id\":1,\"plot\":\"north slope\"}".getBytes(StandardCharsets.UTF_8);
      exchange.getResponseHeaders().add("Content-Type", "application/json");
      exchange.sendResponseHeaders(200, body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.start();
    settings("");
    classes = Shell.compiled("HiveTest", SUITE).toString();
    Shell.write(classes + "/refused.csv", "what,status\nwithout a plot,200\nof <tin>,422\n");
    Shell.write(classes + "/promises/hives.md", DOCUMENT);
  }

  private void settings(String more) throws IOException {
    Shell.write(
        "odd-lantern.yaml",
        "environments: { here: { services: { api: { url: \"http://127.0.0.1:"
            + server.getAddress().getPort() + "\" } } } }\n" + more);
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  @Test
  void thePageIsTheDocumentWithWhatBecameOfEachSentence() throws IOException {
    String sentence =
        "1 of 9 promises kept, 2 broken, 4 not tried, 1 known fault, 1 pending; 1 case has no promise";
    String run = Shell.says(1, "run", classes);
    assertTrue(run.contains("\n" + sentence + "\n"), run);
    assertFalse(run.contains("problem"), run);
    String page = Files.readString(Path.of("odd-lantern-out/report/promises.html"));
    String text = text(page);
    for (String wanted : new String[] {
      "What is promised " + sentence,
      "promises/hives.md Hives <script>alert(1)</script> See the other page, the register and this a picture.",
      "kept A hive is shown.",
      "broken Hives can be relied on:",
      "broken A hive is moved.",
      "wanted \"orchard\" got \"north slope\"",
      "not tried A moved hive is found. it needs what is missing: a hive is *moved*",
      "not tried A hive <b>is</b> counted & weighed. the test itself broke off before it could decide: no scale",
      "not tried Hives are sold. left out: not before autumn",
      "known fault Hives are lent. known as HIVE-7",
      "not tried Nothing is looked at. the test looked at nothing",
      "broken A hive {what} is refused refused.csv outcome what status kept without a plot 200 broken of <tin> 422",
      "pending A hive is shone . there is a case with the title “a hive is shown”; is that meant?",
    }) {
      assertTrue(text.contains(wanted), () -> wanted + "\n" + text);
    }
    assertFalse(page.contains("<script>"), page);
    assertFalse(page.contains("<b>"), page);
    assertFalse(page.contains("javascript:"), page);
    assertFalse(page.contains("<img"), page);
    assertTrue(
        page.contains(
            "<a rel=\"nofollow\" href=\"https://hives.example.org/?a=1&amp;b=2\">the register</a>"),
        page);
    assertTrue(
        text(Files.readString(Path.of("odd-lantern-out/report/index.html"))).contains(sentence));
    assertTrue(
        Files.readString(Path.of("odd-lantern-out/summary.md")).contains("Promises: 1 of 9"));
    // of a journal that this run replaces
    Shell.says(1, "run", classes, "--compared-with", "odd-lantern-out");
    String compared = Files.readString(Path.of("odd-lantern-out/summary.md"));
    assertTrue(compared.contains("| promises | 1 of 9 promises kept"), compared);
    assertTrue(compared.contains("No case ended otherwise than then."), compared);
    assertTrue(
        Files.readString(Path.of("odd-lantern-out/counts.json"))
            .contains(
                "\"promises\":{\"kept\":1,\"pending\":1,\"known fault\":1,\"not tried\":4,\"broken\":2}"));
  }

  @Test
  void whatWasNotSelectedIsNotTriedAndPartsMakeAWhole() throws IOException {
    String one = Shell.says(0, "run", classes, "--case", "a hive is shown");
    assertTrue(one.contains("\n1 of 9 promises kept, 7 not tried, 1 pending; 1 case"), one);
    assertTrue(text(Files.readString(Path.of("odd-lantern-out/report/promises.html")))
        .contains("not tried Hives are lent. it was not looked at in this run"));
    String sample = Shell.says(0, "run", classes, "--case", "HiveTest#isRefused[without a plot]");
    assertTrue(sample.contains("\n0 of 9 promises kept, 8 not tried, 1 pending"), sample);
    assertTrue(text(Files.readString(Path.of("odd-lantern-out/report/promises.html")))
        .contains("kept without a plot 200 not tried of <tin> 422"));

    settings("promises: strict\n");
    for (int part = 1; part <= 2; part++) {
      Shell.says(1, "run", classes, "--part", part + "/2", "--out", "parts/" + part);
    }
    Shell.says(0, "report", "parts", "--out", "joined");
    String page = text(Files.readString(Path.of("joined/report/promises.html")));
    assertTrue(page.contains("1 of 9 promises kept, 2 broken, 4 not tried, 1 known fault"), page);
    assertEquals(page.indexOf("promises/hives.md"), page.lastIndexOf("promises/hives.md"), page);
    String index = text(Files.readString(Path.of("joined/report/index.html")));
    assertEquals(index.indexOf("1 promise has"), index.lastIndexOf("1 promise has"), index);
  }

  @Test
  void aServiceThatIsNotThereIsNamedWhereNothingCouldBeTried() throws IOException {
    int port = server.getAddress().getPort();
    server.stop(0);
    Shell.write(
        "odd-lantern.yaml",
        "environments: { here: { services: { api: { url: \"http://127.0.0.1:" + port
            + "\", ready: { path: /health, within: 50ms } } } } }\n");
    assertTrue(Shell.says(1, "run", classes).contains("\n0 of 9 promises kept, 8 not tried"));
    String page = text(Files.readString(Path.of("odd-lantern-out/report/promises.html")));
    assertTrue(
        page.contains(
            "not tried A hive is shown. it could not be tried: the service 'api' was not ready within 50 ms"),
        page);
  }

  @Test
  void strictWantsACaseForEachPromiseAndAPromiseForEachCase() throws IOException {
    settings("promises: strict\n");
    String run = Shell.says(1, "run", classes, "--case", "a hive is shown").replaceAll("\\s+", " ");
    assertTrue(
        run.contains(
            "problem 1 promise has no case: promises/hives.md:17 'A hive is shone.' (the settings say promises: strict)"),
        run);
    assertTrue(
        run.contains("problem 1 case has no promise: HiveTest: 1. hives are painted ("), run);

    Shell.write(
        classes + "/promises/hives.md",
        DOCUMENT.replace("- [ ] A hive is *shone*.", "- 1\\. hives are `painted`"));
    assertFalse(Shell.says(0, "run", classes, "--case", "a hive is shown").contains("problem"));
    assertTrue(Shell.says(0, "settings").contains("strict"));
    settings("promises: loose\n");
    assertTrue(Shell.run("run", classes)
        .err()
        .contains("line 2: 'promises' is strict, or left out; not 'loose'"));
    settings("promise: strict\n");
    assertTrue(Shell.run("run", classes).err().contains("did you mean 'promises'?"));
  }

  @Test
  void aDocumentThatIsWrongFailsTheRunAndIsToldWithItsLine() throws IOException {
    Shell.write(classes + "/promises/hives.md", "- a hive is shown\n- A hive is shown.\n");
    String wanted = "problem   promises/hives.md:2 makes the promise of line 1 again";
    String run = Shell.says(1, "run", classes, "--case", "a hive is shown");
    assertTrue(run.contains(wanted) && run.contains("1 passed"), run);
    assertTrue(Shell.says(2, "list", classes, "--promises").contains(wanted));
  }

  @Test
  void theListNamesTheCasesOfEachPromiseAndThoseWithout() throws IOException {
    assertEquals("""
        promises/hives.md
             6  A hive is shown.
                  HiveTest#shown
             7  Hives can be relied on:
                  is kept when those below it are
             8  - A hive is moved.
                  HiveTest#moved
             9  - A moved hive is found.
                  HiveTest#found
            10  A hive <b>is</b> counted & weighed.
                  HiveTest#counted
            11  Hives are sold.
                  HiveTest#sold
            12  Hives are lent.
                  HiveTest#lent
            13  Nothing is looked at.
                  HiveTest#nothing
            14  A hive {what} is refused
                  HiveTest#isRefused
                  over 2 samples of refused.csv
            17  A hive is shone.
                  pending: no case has this title; did you mean 'a hive is shown'?

        without a promise
          HiveTest#painted  1. hives are painted

        9 promises in 1 document, 1 without a case; 1 case without a promise
        """, Shell.says(0, "list", classes, "--promises"));
  }

  @Test
  void theListAsMarkdownPromisesEveryCase() throws IOException {
    String first = Shell.says(0, "list", classes, "--as", "markdown");
    assertTrue(first.contains("- 1\\. hives are painted\n\n  *Pending.*\n"), first);
    assertTrue(first.contains("  - step: a hive is shown\n  - it is looked for\n"), first);
    assertTrue(first.contains("- a hive \\{what\\} is refused\n\n  samples: refused.csv\n"), first);
    Shell.write(classes + "/promises/hives.md", first);
    settings("promises: strict\n");
    String listed = Shell.says(0, "list", classes, "--promises");
    assertTrue(
        listed.endsWith(
            "\n9 promises in 1 document, 0 without a case; 0 cases without a promise\n"),
        listed);
    assertFalse(listed.contains("warning"), listed);
    assertFalse(Shell.says(1, "run", classes).contains("problem"));
    Files.delete(Path.of(classes, "promises/hives.md"));
    assertTrue(Shell.says(0, "list", classes, "--promises")
        .startsWith("no document below promises/ says what is promised"));
    assertFalse(Shell.says(1, "run", classes).contains("promise"));
    assertFalse(Files.exists(Path.of("odd-lantern-out/report/promises.html")));
  }

  /** What a reader sees, entities resolved. */
  private static String text(String page) {
    return page.replaceAll("(?s)<head>.*</head>", "")
        .replaceAll("<[^>]*>", " ")
        .replace("&lt;", "<")
        .replace("&gt;", ">")
        .replace("&quot;", "\"")
        .replace("&#34;", "\"")
        .replace("&#39;", "'")
        .replace("&amp;", "&")
        .replaceAll("\\s+", " ");
  }
}
