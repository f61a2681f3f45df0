package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.Watch;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What nobody would notice, as every output tells it. */
class BlindSpotsReportTest {

  private static final Instant START = Instant.parse("2026-05-01T10:00:00Z");
  private static final WatchedPlace STATUS = watched("status", Watch.BY_VALUE);
  private static final WatchedPlace KNOWN = new WatchedPlace(
      "$.id",
      Watch.NOT_AT_ALL,
      List.of("another text"),
      "",
      "it is in the address",
      "at(\"$.id\", id)   // id stands in the address");

  @TempDir
  Path folder;

  @Test
  void aPlaceIsAsWellWatchedAsByTheCaseThatDoesItBest() {
    OperationRecord one = new OperationRecord("yard", "GET", "/hives/{id}", 200);
    ExaminedRun run = new ExaminedRun(List.of(
        examined("b", one, List.of(STATUS, open("$.kind", "anyText()"), KNOWN)),
        examined(
            "a",
            one,
            List.of(
                watched("status", Watch.NOT_AT_ALL),
                watched("$.kind", Watch.BY_KIND),
                watched("$.asked", Watch.ON_PURPOSE))),
        ExaminedRecord.not("yard.YardTest#c", "it prints labels", 5)));
    assertEquals(3, run.places(), "what is unwatched on purpose does not count");
    assertEquals(2, run.watched());
    assertEquals(66, run.perCent(), "never rounded up");
    assertEquals(2, run.examined());
    assertEquals(
        "2 of 3 places are watched (66 %); 2 of 3 cases examined, 20 changes tried; 4 changes were not tried, since there are so many",
        run.sentence());
    WatchedOperation operation = run.operations().get(0);
    assertEquals(
        List.of("status b", "$.asked a", "$.id b", "$.kind a"),
        operation.places().stream()
            .map(seen -> seen.place().place() + " " + seen.id().replaceAll(".*#", ""))
            .toList());
    assertEquals(List.of("at(\"$.id\", id)   // id stands in the address"), run.lines(operation));
    assertEquals(0, new ExaminedRun(List.of()).perCent());
    assertTrue(new ExaminedRun(List.of()).isEmpty());
  }

  @Test
  void whatIsUnwatchedInFiveOperationsIsToldOnce() {
    for (int count : new int[] {4, 5}) {
      List<ExaminedRecord> records = new ArrayList<>();
      for (int i = 0; i < count; i++) {
        WatchedPlace type = new WatchedPlace(
            "header Content-Type",
            Watch.NOT_AT_ALL,
            List.of(),
            "",
            "",
            "contentType(\"application/json\")");
        records.add(examined(
            "case" + i,
            new OperationRecord("yard", "GET", "/" + i, i == 0 ? 404 : 200),
            List.of(STATUS, type)));
      }
      ExaminedRun run = new ExaminedRun(records);
      assertEquals(count == 5 ? 1 : 0, run.oftenUnwatched().size());
      assertEquals(count == 5 ? 0 : 1, run.rest(run.operations().get(0)).size());
      if (count == 5) {
        ExaminedRun.Often often = run.oftenUnwatched().get(0);
        assertEquals(
            "header Content-Type is not watched in 5 of 5 operations of yard", often.sentence());
        assertEquals("always(contentType(\"application/json\"))", often.line());
      }
    }
  }

  @Test
  void everyOutputTellsIt() throws Exception {
    RunData run = run();
    assertFalse(run.examined().isEmpty());
    new RunFolder(folder).writeReports(null, List.of());
    String page = Files.readString(folder.resolve("report/blind-spots.html"));
    for (String part : List.of(
        "could be wrong tomorrow and no test would notice",
        "it is in the address; no test looks at it",
        "\"id\": 4,",
        "<span class=\"how\">not at all</span>",
        "by value, since YardTest: the taking case takes it",
        "in part: nobody would notice null in one item",
        "status: 200",
        "ETag: \"1\"",
        "at(\"$.id\", id)   // id stands in the address",
        "it prints labels",
        "the mailbox of wren")) {
      assertTrue(page.contains(part), () -> part + "\nis not in\n" + page);
    }
    String index = Files.readString(folder.resolve("report/index.html"));
    assertTrue(index.contains("<a href=\"blind-spots.html\">"), index);
    JsonNode json =
        JsonMapping.standard().parse(Files.readString(folder.resolve("blind-spots.json")));
    assertEquals(run.examined().places(), json.path("places").asInt());
    assertEquals(
        "it prints labels", json.path("notExamined").path(0).path("reason").asString());
    assertTrue(Files.readString(folder.resolve("summary.md")).contains("Blind spots: "));
    assertTrue(Files.readString(folder.resolve("counts.json")).contains("\"blindSpots\""));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ConsoleReport console =
        new ConsoleReport(new PrintStream(out, true, StandardCharsets.UTF_8), new Style(false));
    events().forEach(console::hear);
    String told = out.toString(StandardCharsets.UTF_8);
    assertTrue(told.contains("\nwatched   "), told);
    assertTrue(
        told.contains(
            "\nknown     GET /hives/{id}, answered 200, $.id: it is in the address, and no test looks at it\n            at(\"$.id\", id)   // id stands in the address\n"),
        told);
    assertTrue(told.contains("\nleft out  YardTest: the prints case: it prints labels\n"), told);
  }

  /** A run of which nobody asked says nothing of it, and takes away what an earlier one has said. */
  @Test
  void aRunThatWasNotAskedIsSilent() throws Exception {
    run();
    new RunFolder(folder).writeReports(null, List.of());
    new MadeRun("k2").with("other", Outcome.PASSED, 3).written(folder.resolve("journal.jsonl"));
    new RunFolder(folder).writeReports(null, List.of());
    assertFalse(Files.exists(folder.resolve("blind-spots.json")));
    assertFalse(Files.exists(folder.resolve("report/blind-spots.html")));
    assertFalse(Files.readString(folder.resolve("report/index.html")).contains("blind-spots"));
  }

  private RunData run() throws Exception {
    return made().written(folder.resolve("journal.jsonl"));
  }

  private static List<RunEvent> events() {
    return made().events();
  }

  private static MadeRun made() {
    MadeRun made = new MadeRun("k1");
    made.with(made.one("reads", Outcome.PASSED, 12, List.of(), null, List.of(), trail()));
    made.with("taking", Outcome.PASSED, 3).with("prints", Outcome.PASSED, 3);
    WatchedPlace carried =
        new WatchedPlace("$.label", Watch.BY_VALUE, List.of(), "yard.YardTest#taking", "", "");
    WatchedPlace part = new WatchedPlace(
        "$.boxes[*].number", Watch.IN_PART, List.of("null in one item"), "", "", "atEach(...)");
    return made.with(new RunEvent.CaseExamined(new ExaminedRecord(
            "yard.YardTest#reads",
            "",
            900,
            40,
            17,
            0,
            List.of(
                new ExaminedAnswer(
                    new OperationRecord("yard", "GET", "/hives/{id}", 200),
                    0,
                    List.of(STATUS, open("header ETag", "x"), KNOWN, carried, part)),
                new ExaminedAnswer(
                    new OperationRecord("", "", "the mailbox of wren", 0),
                    0,
                    List.of(open("$[*].subject", "anyText()")))))))
        .with(new RunEvent.CaseExamined(
            ExaminedRecord.not("yard.YardTest#prints", "it prints labels", 5)));
  }

  private static CaseTrail trail() {
    ExchangeRecord exchange = new ExchangeRecord(
        new ExchangeRecord.Origin("", "yard", "/hives/{id}", false, ""),
        new ExchangeRecord.Request(
            "GET", "http://127.0.0.1:7411/hives/4", List.of(), BodyRecord.NONE, List.of()),
        new ExchangeRecord.Reply(
            200,
            "OK",
            List.of(new Header("ETag", "\"1\"")),
            new BodyRecord(
                60,
                "{\"id\": 4, \"label\": \"Mint\", \"boxes\": [{\"number\": 1}, {\"number\": 2}]}",
                null,
                List.of())),
        START,
        4_000,
        null,
        List.of());
    LookRecord look = new LookRecord(
        new LookRecord.Asked("the mailbox of wren", "", List.of()),
        "[{\"subject\": \"swarm\"}]",
        1,
        START,
        0,
        null,
        List.of());
    return new CaseTrail(List.of(exchange), List.of(look), "", List.of(), List.of(), List.of());
  }

  private static ExaminedRecord examined(
      String name, OperationRecord operation, List<WatchedPlace> places) {
    return new ExaminedRecord(
        "yard.YardTest#" + name,
        "",
        100,
        10,
        10,
        2,
        List.of(new ExaminedAnswer(operation, 0, places)));
  }

  private static WatchedPlace watched(String place, Watch watch) {
    return new WatchedPlace(place, watch, List.of(), "", "", "");
  }

  private static WatchedPlace open(String place, String shape) {
    return new WatchedPlace(
        place, Watch.NOT_AT_ALL, List.of("null"), "", "", "at(\"" + place + "\", " + shape + ")");
  }
}
