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
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.junitxml.JUnitXmlReport;
import org.oddlantern.json.Finding;
import org.w3c.dom.Element;

/** Whatever a service sends is harmless in every output, and all of it is told. */
class HostileTextTest {

  private static final String EVIL =
      "<script>alert(1)</script>\" onload=\"x\u0000\u001b[31m\u202e]]>&amp;";
  private static final Instant WHEN = Instant.parse("2026-11-23T10:00:00Z");

  @TempDir
  Path folder;

  @Test
  void consoleShowsControlCharactersByTheirCodes() {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    ConsoleReport console =
        new ConsoleReport(new PrintStream(bytes, true, StandardCharsets.UTF_8), new Style(false));
    events().forEach(console::hear);
    String out = bytes.toString(StandardCharsets.UTF_8);
    assertFalse(out.contains("\u001b") || out.contains("\u0000") || out.contains("\u202e"), out);
    assertTrue(
        out.contains(
            "failed        3 ms  <script>alert(1)</script>\" onload=\"x\\u0000\\u001b[31m\\u202e]]>&amp;\n"),
        out);
    assertTrue(
        out.contains("left behind  by Suite#one\n          DELETE /x: it was answered 500\n"), out);
    assertTrue(
        out.endsWith(
            "\n1 failed in 4 ms\n0 things put back, 1 left behind\nthe same values again: --seed s\n"),
        out);
  }

  @Test
  void pagesEscapeIt() throws IOException {
    HtmlReport.write(run(), new Journal(folder.resolve("journal.jsonl")), folder.resolve("report"));
    try (Stream<Path> pages = Files.list(folder.resolve("report"))) {
      for (Path page : pages.filter(file -> file.toString().endsWith(".html")).toList()) {
        String html =
            Files.readString(page).replace("<script src=\"ledger.js\" defer></script>", "");
        assertFalse(html.contains("<script"), page.toString());
        assertTrue(html.contains("&lt;script&gt;alert(1)&lt;/script&gt;"), page.toString());
      }
    }
    String index = Files.readString(folder.resolve("report/index.html"));
    assertTrue(
        index.contains("0 of 1 case passed, 1 failed. 1 thing could not be put back."), index);
    assertTrue(
        index.contains(
                "<mark class=\"line\">  &#34;label&#34;: 4</mark><span class=\"instead deep-1\">wanted 5</span>")
            || index.contains(
                "<mark class=\"line\">  \"label\": 4</mark><span class=\"instead deep-1\">wanted 5</span>"),
        index);
  }

  @Test
  void xmlStaysXml() throws Exception {
    JUnitXmlReport.write(run(), folder);
    Element suite = DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(folder.resolve("TEST-pack.Suite.xml").toFile())
        .getDocumentElement();
    assertEquals("1", suite.getAttribute("failures"));
    Element one = (Element) suite.getElementsByTagName("testcase").item(0);
    assertEquals(
        EVIL.replace('\u0000', '\ufffd').replace('\u001b', '\ufffd'), one.getAttribute("name"));
  }

  @Test
  void aRunThatWasCutOffSaysSo() throws IOException {
    Path journal = folder.resolve("cut.jsonl");
    try (JournalWriter writer = new JournalWriter(journal)) {
      writer.hear(events().get(0));
    }
    assertEquals(
        "The run was cut off after 0 of 1 case. Nothing can be said.",
        RunData.of(new Journal(journal)).verdict());
  }

  private RunData run() throws IOException {
    Path journal = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(journal)) {
      for (RunEvent event : events()) {
        writer.hear(event);
      }
    }
    return RunData.of(new Journal(journal));
  }

  private static List<RunEvent> events() {
    Finding finding = Finding.of("$.label", "5", "4").hint(EVIL);
    ExchangeRecord exchange = new ExchangeRecord(
        new ExchangeRecord.Origin(EVIL, EVIL, EVIL),
        new ExchangeRecord.Request(
            "GET",
            "http://127.0.0.1/" + "x".repeat(500),
            List.of(new Header("X-Evil", EVIL)),
            BodyRecord.NONE,
            List.of()),
        new ExchangeRecord.Reply(
            200,
            EVIL,
            List.of(new Header("X-Evil", EVIL)),
            new BodyRecord(12, "{\"label\": 4}", null, List.of())),
        WHEN,
        3_000,
        null,
        List.of(new Verdict(EVIL, false, List.of(finding))));
    LookRecord query = new LookRecord(
        new LookRecord.Asked(EVIL, EVIL, List.of(EVIL)),
        EVIL,
        1,
        WHEN,
        3_000,
        null,
        List.of(new Verdict(EVIL, false, List.of(finding.ofItem(EVIL)))));
    CaseRecord one = new CaseRecord(
        new CaseHead(RecordKind.CASE, "pack.Suite#one", "Suite", EVIL, "Suite.java:3", "", EVIL),
        new CaseTiming(0, 1, WHEN, 3_000, List.of(EVIL)),
        new CaseEnding(
            Outcome.FAILED,
            List.of(),
            new ProblemRecord(
                "Evil",
                EVIL,
                "Suite.java:4",
                EVIL,
                new SourceRecord("Suite.java", 3, 4, List.of(EVIL, EVIL)))),
        List.of(),
        new CaseTrail(
            List.of(exchange),
            List.of(query),
            EVIL,
            List.of(new StepRecord(EVIL, 0, WHEN)),
            List.of(new KeptRecord(EVIL, EVIL, 3, "kept/000001.txt", null)),
            List.of()),
        null);
    return List.of(
        new RunEvent.Started(
            1, "run", EVIL, "local", "s", WHEN, new RunSize(1, 1, 1, ""), List.of(EVIL)),
        new RunEvent.CaseFinished(one),
        new RunEvent.PutBack("pack.Suite#one", "DELETE /x", "it was answered 500", List.of()),
        new RunEvent.Ended(WHEN, 4_000, Map.of("failed", 1), 1, false));
  }
}
