package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.stream.StreamSupport;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.reports.har.HarReport;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.junitxml.JUnitXmlReport;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What a service asked stand-ins, and what else was looked at, in every output: in its place, once. */
class BothSidesTest {

  private static final Instant START = Instant.parse("2026-05-01T10:00:00Z");
  private static final String TRACE = "00-0af7651916cd43dd8448eb211c80319c-b7ad6b7169203331-01";

  @TempDir
  Path folder;

  @Test
  void aVisitStandsInTheCallDuringWhichItCameAndElseByItself() {
    ExchangeRecord early = exchange("/early", true, -50, 1, "", null);
    ExchangeRecord during = exchange("/during", true, 5, 1, "", null);
    ExchangeRecord call = exchange("/call", false, 0, 20, "", null);
    ExchangeRecord late = exchange("/late", true, 40, 1, "", null);
    LookRecord look = look("the mailbox of wren");
    assertEquals(
        List.of("/early []", "/call [/during]", "the mailbox of wren []", "/late []"),
        Nested.of(List.of(early, during, call, look, late)).stream()
            .map(one -> one.asked().line().replaceAll(".*7411", "") + " "
                + one.visits().stream()
                    .map(each -> each.url().replaceAll(".*7411", ""))
                    .toList())
            .toList());
  }

  @Test
  void everyOutputTellsBothSides() throws Exception {
    RunData run = run();
    HtmlReport.write(run, new Journal(folder.resolve("journal.jsonl")), folder.resolve("report"));
    String page = Files.readString(folder.resolve("report/suite-1-YardTest.html"));
    int call = page.indexOf("/call</code>");
    int visit = page.indexOf("asked by the service: weather");
    int answer = page.indexOf("<strong>503</strong>");
    assertTrue(0 < call && call < visit && visit < answer, call + " " + visit + " " + answer);
    assertEquals(page.indexOf("/during</code>"), page.indexOf("/during", visit));
    assertTrue(page.contains("with silence, as instructed"), page);
    assertTrue(page.contains("look at the mailbox of wren"), page);
    assertTrue(
        page.contains(
            "<a href=\"https://traces.example.org/0af7651916cd43dd8448eb211c80319c\"><code>"),
        page);
    assertEquals(1, page.split("repeat it by hand", -1).length - 1, "the call alone");
    HarReport.write(
        run, new Journal(folder.resolve("journal.jsonl")), folder.resolve("run.har"), one -> true);
    JsonNode entries = JsonMapping.standard()
        .parse(Files.readString(folder.resolve("run.har")))
        .path("log")
        .path("entries");
    assertEquals(
        List.of("", "asked by the service: weather"),
        StreamSupport.stream(entries.spliterator(), false)
            .map(entry -> entry.path("comment").asString(""))
            .toList());
    JUnitXmlReport.write(run, folder.resolve("xml"));
    String xml = Files.readString(folder.resolve("xml/TEST-yard.YardTest.xml"));
    assertTrue(xml.contains("/call") && !xml.contains("/during"), xml);
  }

  private RunData run() throws Exception {
    ExchangeRecord during = exchange("/during", true, 5, 1, "with silence, as instructed", null);
    Verdict broken = new Verdict("status(201)", false, List.of(Finding.of("status", "201", "503")));
    ExchangeRecord call = exchange("/call", false, 0, 20, "", broken);
    MadeRun made = new MadeRun("k1");
    CaseTrail trail = new CaseTrail(
        List.of(during, call),
        List.of(look("the mailbox of wren")),
        "",
        List.of(),
        List.of(),
        List.of());
    ProblemRecord problem = new ProblemRecord("", "status wanted 201", "YardTest.java:3", "");
    return made.with(made.one("open", Outcome.FAILED, 30, List.of(), problem, List.of(), trail))
        .written(folder.resolve("journal.jsonl"));
  }

  private static LookRecord look(String title) {
    return new LookRecord(
        new LookRecord.Asked(title, "", List.of()), "[]", 2, START, 0, null, List.of());
  }

  private static ExchangeRecord exchange(
      String path,
      boolean visit,
      int afterMillis,
      int millis,
      String instead,
      @Nullable Verdict verdict) {
    boolean answered = instead.isEmpty();
    return new ExchangeRecord(
        new ExchangeRecord.Origin(
            "",
            visit ? "weather" : "yard",
            path,
            visit,
            visit ? "" : "https://traces.example.org/{id}"),
        new ExchangeRecord.Request(
            "GET",
            "http://127.0.0.1:7411" + path,
            List.of(new Header("traceparent", TRACE)),
            BodyRecord.NONE,
            List.of()),
        new ExchangeRecord.Reply(answered ? 503 : 0, instead, List.of(), BodyRecord.NONE),
        START.plusMillis(afterMillis),
        millis * 1_000L,
        null,
        verdict == null ? List.of() : List.of(verdict));
  }
}
