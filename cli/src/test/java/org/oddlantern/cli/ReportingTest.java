package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What a run tells and keeps besides its pages, and what is different from an earlier one. */
class ReportingTest {

  private static final String SUITE = """
      import static org.oddlantern.check.Checks.*;
      import org.oddlantern.suite.*;

      public class HiveYardTest {
        static int tried;

        @Case("a *hive* is weighed | and told") void weighed() { holdsSlowly(SLOW); }
        @Case("the gate is shut") @Retries(1) void gate() { if (tried++ == 0) throw new AssertionError("it was open"); }
        @Case("nobody is stung") void stung() { if (STUNG) throw new AssertionError("the keeper was stung"); }
        @Case("honey is sold") @Pending void sold() {}

        public static class OfANeighbour {
          @Case("the fence holds") void fence() {
            step("the fence is walked along");
            System.out.println("a long walk: \\u00fcber the hill");
          }
        }

        private static void holdsSlowly(int millis) {
          try { Thread.sleep(millis); } catch (InterruptedException e) { throw new IllegalStateException(e); }
        }
      }
      """;

  private final Path folder = Shell.emptyFolder();

  private String good = "";
  private String bad = "";

  @BeforeEach
  void compile() throws Exception {
    good = compiled("good", "0", "false");
    bad = compiled("bad", "300", "true");
  }

  private String compiled(String name, String slow, String stung) throws IOException {
    Path classes =
        Shell.compiled("HiveYardTest", SUITE.replace("SLOW", slow).replace("STUNG", stung));
    return Files.move(classes, folder.resolve(name)).toString();
  }

  @Test
  void whatIsDifferentIsToldAndRunsAreKept() throws Exception {
    run(0, good, "--out", "old", "--history", "kept", "--keep-runs", "2");
    String told =
        run(1, bad, "--out", "new", "--history", "kept", "--compared-with", "old/journal.jsonl");
    assertTrue(told.contains("\nchanged   newly failed  HiveYardTest: nobody is stung\n"), told);
    assertTrue(
        told.contains("changed   slower  HiveYardTest: a *hive* is weighed | and told, "), told);
    assertTrue(
        run(0, good, "--out", "new", "--compared-with", "new/journal.jsonl")
            .contains("\nchanged   mended  HiveYardTest: nobody is stung\n"),
        "the earlier journal is read although it stands where the new one goes");
    JsonNode counts = JsonMapping.standard().parse(read("old/counts.json"));
    assertEquals(5, counts.path("cases").asInt(0));
    assertEquals("{\"pending\":1,\"unproven\":4}", counts.path("counts").toString());
    assertEquals(1, counts.path("marks").path("flaky").asInt(0));
    run(1, bad, "--out", "new", "--history", "kept", "--keep-runs", "2");
    try (Stream<Path> kept = Files.list(folder.resolve("kept"))) {
      assertEquals(2, kept.count());
    }
    String page = read("new/report/history.html");
    for (String part : List.of(
        "passed as a whole in 0 of 2 runs",
        "<td>0 of 5 cases passed</td>",
        ">nobody is stung</a> <span class=\"quiet\">HiveYardTest; failed in 2 of 2 runs</span>",
        ">the gate is shut</a> <span class=\"quiet\">HiveYardTest; unstable: only at a later try in 2 of 2 runs</span>",
        "<a href=\"suite-1-HiveYardTest.html#case-2\">")) {
      assertTrue(page.contains(part), () -> part + " is not in\n" + page);
    }
    Shell.Output wrong = Shell.run("run", good, "--keep-runs", "some");
    assertEquals(2, wrong.status());
    assertEquals(
        "odd-lantern: --keep-runs takes a number of runs, like 50, or of days, like 90d, not some\n",
        wrong.err());
  }

  @Test
  void aJournalIsHeldAgainstADescriptionOfWhichEachSchemaIsRead() throws Exception {
    run(0, good);
    String yard = """
        openapi: 3.1.0
        info: { title: The yard, version: "1" }
        paths: { /hives: { get: { responses: { "200": { description: all, content: { a/json: { schema: { type: TYPE } } } } } } } }
        """;
    Path file = folder.resolve("yard.yaml");
    Files.writeString(file, yard.replace("TYPE", "array"));
    String journal = "odd-lantern-out/journal.jsonl";
    String told = report(0, journal, "--description", "yard.yaml", "--out", "held");
    assertTrue(told.contains("described 0 of 1 operation of yard.yaml called, every"), told);
    told = report(
        1, journal, "--description", "keep=yard.yaml", "--covered-at-least", "1", "--out", "held");
    assertTrue(told.contains("0 of 1 operations were called (0 %), and --cover"), told);
    told = report(1, journal, "--covered-at-least", "1", "--out", "held");
    assertTrue(told.contains("no service is described, and --covered-at-least 1 was asked"), told);
    Files.writeString(file, yard.replace("TYPE", "list") + "# a long line\n".repeat(80_000));
    told = report(2, journal, "--description", "yard.yaml", "--out", "held");
    assertTrue(told.contains("/responses/200/content/a~1json/schema/type: wanted one of"), told);
    told = report(2, journal, "--description", "gone.yaml", "--out", "held");
    assertTrue(told.contains("there is no description gone.yaml; --description takes"), told);
  }

  @Test
  void pagesTellAsMuchAsIsAskedFor() throws Exception {
    run(1, bad, "--pages", "counts");
    assertEquals(List.of(), suitePages());
    assertFalse(read("odd-lantern-out/report/index.html").contains("the keeper was stung"));
    run(1, bad, "--pages", "failures");
    assertEquals(List.of("suite-1-HiveYardTest.html"), suitePages());
    String page = read("odd-lantern-out/report/suite-1-HiveYardTest.html");
    assertTrue(page.contains("the keeper was stung") && !page.contains("the fence holds"), page);
    Shell.Output wrong = Shell.run("run", bad, "--pages", "some");
    assertEquals("odd-lantern: --pages takes counts, failures or all, not some\n", wrong.err());
  }

  @Test
  void theSummaryIsMarkdownThatNothingFromOutsideBreaks() throws Exception {
    run(1, bad);
    String summary = read("odd-lantern-out/summary.md");
    assertTrue(
        summary.contains(
            "### What failed\n\n- **failed** HiveYardTest: nobody is stung, `HiveYardTest.java:9`\n  - `the keeper was stung`\n"),
        summary);
    assertTrue(summary.contains("| HiveYardTest | 4 | 0 | 1 | 3 |"), summary);
    String list = Shell.run("list", bad, "--as", "markdown").out();
    assertEquals("""
        # All cases

        5 cases in 1 suite.

        ## Hive yard

        - a \\*hive\\* is weighed \\| and told
        - the gate is shut
        - nobody is stung
        - honey is sold

          *Pending.*

        ### Of a neighbour

        - the fence holds
          - the fence is walked along
        """, list);
    JsonNode cases = JsonMapping.standard()
        .parse(Shell.run("list", bad, "--as", "json").out())
        .path("cases");
    assertEquals("[\"the fence is walked along\"]", cases.get(4).path("steps").toString());
  }

  private List<String> suitePages() throws IOException {
    try (Stream<Path> pages = Files.list(folder.resolve("odd-lantern-out/report"))) {
      return pages
          .map(page -> page.getFileName().toString())
          .filter(page -> page.startsWith("suite-"))
          .toList();
    }
  }

  private String read(String file) throws IOException {
    return Files.readString(folder.resolve(file));
  }

  private String run(int status, String classes, String... options) throws Exception {
    String[] words =
        Stream.concat(Stream.of("run", classes), Stream.of(options)).toArray(String[]::new);
    Shell.Output output = Shell.run(words);
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out();
  }

  private static String report(int status, String... options) {
    Shell.Output output =
        Shell.run(Stream.concat(Stream.of("report"), Stream.of(options)).toArray(String[]::new));
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out() + output.err();
  }
}
