package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.reports.har.HarReport;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.html.ReportScope;
import org.oddlantern.internal.reports.junitxml.JUnitXmlReport;
import org.oddlantern.internal.reports.summary.CountsReport;
import org.oddlantern.internal.reports.summary.MarkdownSummary;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.w3c.dom.Element;

/** One run with one of each outcome, in every output: all of them tell the same numbers. */
class OutputsTest {

  @TempDir
  Path folder;

  @Test
  void everyOutputTellsTheSameNumbers() throws Exception {
    RunData run = MadeRun.ofEverything().written(folder.resolve("journal.jsonl"));
    Counts counts = Counts.of(run.cases());
    assertEquals(3, counts.passed(), "fed, again and mended");
    assertEquals(3, counts.broken(), "weighed, stormy and next");
    assertEquals(
        "3 of 10 cases passed, 1 failed, 1 errored, 1 blocked, 1 known fault, 1 skipped, 1 pending,"
            + " 1 unproven. 1 thing could not be put back. 1 problem of the run itself.",
        run.verdict());
    CountsReport.write(run, null, folder.resolve("counts.json"));
    JsonNode json = JsonMapping.standard().parse(Files.readString(folder.resolve("counts.json")));
    assertEquals(3, json.path("counts").path("passed").intValue());
    assertEquals(run.verdict(), json.path("verdict").stringValue());
    MarkdownSummary.write(run, null, folder.resolve("summary.md"));
    String summary = Files.readString(folder.resolve("summary.md"));
    assertTrue(summary.contains("| YardTest | 10 | 3 | 3 | 4 |"), summary);
    assertTrue(summary.contains("at `$.label` wanted `\"Heather\"`, got `\"Foxglove\"`"), summary);
    assertTrue(summary.contains("at `what was sent, $.kind`"), summary);
    JUnitXmlReport.write(run, folder.resolve("xml"));
    Element suite = DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(folder.resolve("xml/TEST-yard.YardTest.xml").toFile())
        .getDocumentElement();
    int told = Integer.parseInt(suite.getAttribute("failures"))
        + Integer.parseInt(suite.getAttribute("errors"))
        + Integer.parseInt(suite.getAttribute("skipped"));
    assertEquals(10 - counts.passed(), told);
    assertEquals("4", suite.getAttribute("skipped"), "an unproven case has not passed");
    String xml = Files.readString(folder.resolve("xml/TEST-yard.YardTest.xml"));
    assertTrue(xml.contains("<skipped message=\"unproven: it passed and checked nothing\"/>"), xml);
    assertTrue(
        xml.contains(
            "<failure message=\"$.label: wanted &quot;Heather&quot;, got &quot;Foxglove&quot;\""),
        xml);
    assertTrue(xml.contains("<flakyError message=\"too much fog\""), xml);
    assertTrue(xml.contains("<rerunError message=\"too much fog\""), xml);
  }

  @Test
  void pagesTellCasesLanesQueriesStepsAndWhatWasSent() throws Exception {
    RunData run = MadeRun.ofEverything().written(folder.resolve("journal.jsonl"));
    HtmlReport.write(run, journal(), folder.resolve("report"));
    String index = Files.readString(folder.resolve("report/index.html"));
    for (String part : List.of(
        "What failed",
        "All cases",
        "a thread outlived its case",
        "DELETE /hives/5",
        "lane 3",
        "the fed case",
        "BEE-17")) {
      assertTrue(index.contains(part), () -> part + " is not in\n" + index);
    }
    assertFalse(index.contains("promise"), index);
    String suite = Files.readString(folder.resolve("report/suite-1-YardTest.html"));
    for (String part : List.of(
        "the hive is opened",
        "select *",
        "a bee hums",
        "frames.txt",
        "try 1 errored",
        "too much fog",
        "what was sent, $.kind",
        "answeredWithin(1 ms)",
        "curl",
        "another hive")) {
      assertTrue(suite.contains(part), () -> part + " is not in\n" + suite);
    }
  }

  @Test
  void archivesHoldWhatWasSentAndCame() throws Exception {
    RunData run = MadeRun.ofEverything().written(folder.resolve("journal.jsonl"));
    HarReport.write(run, journal(), folder.resolve("run.har"), one -> one.id().endsWith("#fed"));
    JsonNode log = JsonMapping.standard()
        .parse(Files.readString(folder.resolve("run.har")))
        .path("log");
    assertEquals("1.2", log.path("version").stringValue());
    assertEquals(2, log.path("entries").size());
    JsonNode request = log.path("entries").get(0).path("request");
    assertEquals("kind", request.path("queryString").get(0).path("name").stringValue());
    assertEquals("stack", request.path("queryString").get(0).path("value").stringValue());
  }

  @Test
  void aFolderGetsEverythingThatABuildDoesNotWrite() throws Exception {
    RunFolder all = new RunFolder(folder);
    MadeRun.ofEverything().written(all.journal());
    all.writeReports(null, List.of());
    for (Path file : List.of(all.counts(), all.summary(), all.report().resolve("index.html"))) {
      assertTrue(Files.size(file) > 100, file.toString());
    }
  }

  @Test
  void whatChangedIsToldAndWhatOnlyNearlyDidIsNot() throws Exception {
    RunData before = new MadeRun("k1")
        .with("a", Outcome.PASSED, 100)
        .with("b", Outcome.FAILED, 10)
        .with("c", Outcome.PASSED, 100)
        .with("d", Outcome.PASSED, 100)
        .with("e", Outcome.SKIPPED, 0)
        .with("gone", Outcome.PASSED, 1)
        .written(folder.resolve("before.jsonl"));
    RunData now = new MadeRun("k2")
        .with("a", Outcome.FAILED, 100)
        .with("b", Outcome.PASSED, 10)
        .with("c", Outcome.PASSED, 149)
        .with("d", Outcome.PASSED, 151)
        .with("e", Outcome.PASSED, 1, Mark.UNPROVEN)
        .with("new", Outcome.PASSED, 1)
        .written(folder.resolve("journal.jsonl"));
    Comparison comparison = Comparison.of(before, now);
    assertEquals(
        List.of(
            "newly failed  YardTest: the a case",
            "mended  YardTest: the b case",
            "slower  YardTest: the d case, 100 ms then, 151 ms now",
            "new  YardTest: the new case",
            "gone  YardTest: the gone case"),
        comparison.lines());
    assertTrue(Comparison.of(now, now).isEmpty());
    MarkdownSummary.write(now, comparison, folder.resolve("summary.md"));
    String summary = Files.readString(folder.resolve("summary.md"));
    int changed = summary.indexOf("### What changed since run `k1`");
    assertTrue(changed > 0 && changed < summary.indexOf("### What failed"), summary);
    for (String part : List.of(
        "| cases | ",
        "**Newly broken: 1 case**\n\n- YardTest: the a case, failed\n",
        "**Mended: 1 case**\n\n- YardTest: the b case\n",
        "**New: 1 case**\n\n- YardTest: the new case\n",
        "**Gone: 1 case**\n\n- YardTest: the gone case\n")) {
      assertTrue(summary.contains(part), () -> part + " is not in\n" + summary);
    }
    assertFalse(summary.contains("the c case,"), "hardly slower");
    HtmlReport.write(
        now,
        journal(),
        folder.resolve("report"),
        new ReportScope(PageDetail.FAILURES, comparison, null));
    String index = Files.readString(folder.resolve("report/index.html"));
    assertTrue(index.contains("the gone case"), index);
    CountsReport.write(now, comparison, folder.resolve("counts.json"));
    JsonNode json = JsonMapping.standard().parse(Files.readString(folder.resolve("counts.json")));
    assertEquals(1, json.path("comparedWith").path("slower").intValue());
  }

  private Journal journal() throws IOException {
    return new Journal(folder.resolve("journal.jsonl"));
  }
}
