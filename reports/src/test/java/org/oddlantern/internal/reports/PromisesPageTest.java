package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.SampleTable;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.html.ReportScope;
import org.oddlantern.internal.reports.summary.CountsReport;
import org.oddlantern.internal.reports.summary.MarkdownSummary;

/** What becomes of promises by what became of cases, and how that is told. */
class PromisesPageTest {

  private static final String TEXT = """
      # Yard <i>one</i>

      > quoted, with [a link](other.md)

      - weighed
        1. fed
        2. again
      - fed and quiet
      - stormy

        and a word on storms
      - halves
      - unwritten
      - not here
      - [ ] nobody knows
      - of samples

        samples: kinds.csv
      - above
        - next
      """;

  @TempDir
  private Path folder;

  private static Promise promise(
      int line, int above, @Nullable SampleTable table, String... cases) {
    List<String> ids =
        List.of(cases).stream().map(one -> "yard.YardTest#" + one).toList();
    String hint = line == 15 ? "somebody knows" : "";
    return new Promise(line, above, "the words", ids, hint, table);
  }

  private static RunEvent.Promised promised() {
    SampleTable table = new SampleTable(
        "kinds.csv",
        List.of("kind", "<b>"),
        List.of(
            new SampleTable.Row("yard.YardTest#fed", List.of("stack", "1 & 2")),
            new SampleTable.Row("yard.YardTest#weighed", List.of("straw", "")),
            new SampleTable.Row("", List.of("long", ""))));
    return new RunEvent.Promised(
        List.of(new PromiseDocument(
            "promises/yard.md",
            TEXT,
            List.of(
                promise(5, 0, null, "weighed"),
                promise(6, 5, null, "fed"),
                promise(7, 5, null, "again"),
                promise(8, 0, null, "fed", "quiet"),
                promise(9, 0, null, "stormy"),
                promise(12, 0, null, "halves"),
                promise(13, 0, null, "unwritten"),
                promise(14, 0, null, "elsewhere"),
                promise(15, 0, null),
                promise(16, 0, table, "fed", "weighed"),
                promise(19, 0, null),
                promise(20, 19, null, "next")))),
        List.of(
            new TitledCase("yard.YardTest#a", "YardTest", "a", List.of(), List.of()),
            new TitledCase("yard.YardTest#b", "YardTest", "b", List.of(), List.of())));
  }

  private static final String SENTENCE =
      "2 of 11 promises kept, 2 broken, 4 not tried, 1 known fault, 2 pending; 2 cases have no promise";

  @Test
  void theWorstOfItsCasesIsWhatBecameOfAPromise() throws IOException {
    RunData run = run();
    assertEquals(
        Map.of(
            Keeping.KEPT, 2,
            Keeping.PENDING, 2,
            Keeping.KNOWN_FAULT, 1,
            Keeping.NOT_TRIED, 4,
            Keeping.BROKEN, 2),
        run.promises().counts());
    assertEquals(SENTENCE, run.promises().sentence());
    MarkdownSummary.write(run, null, folder.resolve("summary.md"));
    assertTrue(
        Files.readString(folder.resolve("summary.md")).contains("Promises: " + SENTENCE + "."));
    CountsReport.write(run, null, folder.resolve("counts.json"));
    assertTrue(Files.readString(folder.resolve("counts.json")).contains("\"not tried\":4"));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Style plain = new Style(false, 0, false, false);
    ConsoleReport console =
        new ConsoleReport(new PrintStream(out, true, StandardCharsets.UTF_8), plain);
    List<RunEvent> events = MadeRun.ofEverything().events();
    console.hear(events.get(0));
    console.hear(promised());
    events.subList(1, events.size()).forEach(console::hear);
    String told = out.toString(StandardCharsets.UTF_8);
    assertTrue(told.contains("\n" + SENTENCE + "\n"), told);
  }

  @Test
  void thePageHasTheProseAndWhatBecameOfEachSentence() throws IOException {
    String page = page(ReportScope.STANDARD);
    for (String part : List.of(
        "<h2>Yard &lt;i&gt;one&lt;/i&gt;</h2>",
        "<blockquote>",
        "quoted, with a link",
        "<span class=\"sentence\">weighed</span>",
        "<span class=\"note\">only at a later try</span>",
        "the test looked at nothing",
        "the test itself broke off before it could decide: stormy went wrong",
        "<p>and a word on storms</p>",
        "known as BEE-17",
        "its test is not written yet",
        "it was not looked at in this run",
        "there is a case with the title \u201csomebody knows\u201d; is that meant?",
        "it could not be tried: next went wrong",
        "<th scope=\"col\">&lt;b&gt;</th>",
        "<td>kept</td><td>stack</td><td>1 &amp; 2</td>",
        "<tr class=\"broken\"><td>broken</td><td>straw</td>",
        "<td></td><td>long</td>",
        "<li class=\"is-not-tried\" id=\"promise-1-19\">",
        "the whole case")) {
      assertTrue(page.contains(part), () -> part + " is not in\n" + page);
    }
    assertFalse(page.contains("samples:"), page);
    assertFalse(page.contains("other.md"), page);
    assertTrue(Files.readString(folder.resolve("report/index.html")).contains(SENTENCE));
  }

  @Test
  void pagesForOthersShowNothingThatWasSent() throws IOException {
    String counts = page(new ReportScope(PageDetail.COUNTS, null, null));
    assertTrue(counts.contains("<span class=\"word\">broken</span>"), counts);
    assertFalse(counts.contains("class=\"exchange\""), counts);
    String failures = page(new ReportScope(PageDetail.FAILURES, null, null));
    assertTrue(failures.contains("another hive"), failures);
    assertFalse(failures.contains("the fed case</summary>"), failures);
  }

  @Test
  void aDocumentThatIsNestedTooDeeplyStandsAsItWasWritten() throws IOException {
    String deep = "*a **b ".repeat(20_000) + "** c*".repeat(20_000) + " <b>";
    RunData run = MadeRun.ofEverything()
        .with(new RunEvent.Promised(
            List.of(new PromiseDocument("promises/deep.md", deep, List.of())), List.of()))
        .written(folder.resolve("journal.jsonl"));
    HtmlReport.write(run, new Journal(folder.resolve("journal.jsonl")), folder.resolve("report"));
    String page = Files.readString(folder.resolve("report/promises.html"));
    assertTrue(page.contains("<pre><code>*a **b *a"), page.substring(0, 2_000));
    assertFalse(page.contains("<b>"));
  }

  private RunData run() throws IOException {
    return MadeRun.ofEverything().with(promised()).written(folder.resolve("journal.jsonl"));
  }

  private String page(ReportScope scope) throws IOException {
    RunData run = run();
    HtmlReport.write(
        run, new Journal(folder.resolve("journal.jsonl")), folder.resolve("report"), scope);
    return Files.readString(folder.resolve("report/promises.html"));
  }
}
