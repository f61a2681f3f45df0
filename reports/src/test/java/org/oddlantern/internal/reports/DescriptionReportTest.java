package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.described.DescribedCopies;
import org.oddlantern.internal.journal.JoinedJournals;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What a run has seen of a description, as every output tells it. */
class DescriptionReportTest {

  private static final String YARD = """
      openapi: 3.1.0
      info: { title: The yard, version: "1" }
      paths:
        /hives/{id}:
          get:
            summary: one hive
            parameters:
              - { name: id, in: path, required: true, schema: { type: integer } }
              - { name: full, in: query, schema: { type: boolean } }
            responses:
              "200":
                description: the hive
                content: { application/json: { schema: { $ref: "hive.json" } } }
              "404": { description: none }
          delete: { deprecated: true, responses: { "204": { description: gone } } }
      """;
  private static final String HIVE = """
      { "type": "object",
        "properties": {
          "id": { "type": "integer" },
          "kind": { "enum": ["long", "straw"] },
          "plot": { "type": "string" },
          "boxes": { "type": "array", "items": { "properties": { "number": { "type": "integer" } } } } },
        "required": ["id", "kind"], "additionalProperties": false }
      """;

  @TempDir
  Path folder;

  private static MadeRun made(String run, String body) {
    return made(run, body, YARD);
  }

  private static MadeRun made(String run, String body, String yard) {
    MadeRun made = new MadeRun(run);
    made.with(made.one("reads", Outcome.PASSED, 12, List.of(), null, List.of(), trail(body)));
    made.with(made.one(
        "reads again",
        Outcome.PASSED,
        12,
        List.of(),
        null,
        List.of(),
        trail("{\"id\": \"***\", \"kind\": \"straw\", \"boxes\": []}")));
    return made.with(new RunEvent.Described(new DescribedRecord(
        "yard",
        "http://127.0.0.1:7411/api",
        "yard.yaml",
        List.of(
            new DescribedRecord.Copy("yard.yaml", "resource:/yard.yaml", yard, null),
            new DescribedRecord.Copy("hive.json", "resource:/hive.json", HIVE, null)))));
  }

  private static CaseTrail trail(String body) {
    ExchangeRecord exchange = new ExchangeRecord(
        new ExchangeRecord.Origin("", "yard", "/hives/{id}", false, ""),
        new ExchangeRecord.Request(
            "GET", "http://127.0.0.1:7411/api/hives/4", List.of(), BodyRecord.NONE, List.of()),
        new ExchangeRecord.Reply(
            200,
            "OK",
            List.of(new Header("Content-Type", "application/json")),
            new BodyRecord(body.length(), body, null, List.of())),
        MadeRun.WHEN,
        4_000,
        null,
        List.of());
    return new CaseTrail(List.of(exchange), List.of(), "", List.of(), List.of(), List.of());
  }

  private static final String ODD = "{\"id\": 4, \"kind\": \"top\", \"boxes\": [{\"number\": 1}]}";

  @Test
  void everyOutputTellsIt() throws Exception {
    RunData run = made("k1", ODD).written(folder.resolve("journal.jsonl"));
    assertEquals(
        "1 of 2 operations of yard.yaml called, 1 thing not as described",
        run.described().sentence());
    new RunFolder(folder).writeReports(null, List.of());
    String page = Files.readString(folder.resolve("report/description.html"));
    for (String part : List.of(
        "The run tried 1 of the 2 things that the description says can be done, and saw 1 thing that is not as described.",
        "<span>one of \"long\", \"straw\", says hive.json#/properties/kind/enum</span>",
        "hive.json#/properties/kind/enum</code>",
        "<pre tabindex=\"0\">\"top\"</pre>",
        "the reads case",
        "<h2>The yard</h2>",
        "2 calls, 2 cases",
        "<span>200</span><span>404</span>",
        "DELETE /hives/{id} <span class=\"quiet\">deprecated</span>",
        "<span class=\"never\">never called</span>",
        "query full</code><span class=\"how\">never used",
        "200 $.plot</code><span class=\"how\">never seen",
        "200 $.boxes[*].number</code><span class=\"how\">seen",
        "200 $.kind</code><span class=\"how\">seen, but never as \"long\"",
        "one hive")) {
      assertTrue(page.contains(part), () -> part + "\nis not in\n" + page);
    }
    assertTrue(Files.readString(folder.resolve("report/index.html"))
        .contains("<a href=\"description.html\">"));
    JsonNode json =
        JsonMapping.standard().parse(Files.readString(folder.resolve("description.json")));
    assertEquals(50, json.path("perCent").asInt());
    JsonNode get = json.path("descriptions").path(0).path("operations").path(0);
    assertEquals("/hives/{id}", get.path("template").asString());
    assertEquals(2, get.path("statuses").path(0).path("came").asInt());
    assertTrue(Files.readString(folder.resolve("summary.md")).contains("Description: 1 of 2"));
    assertTrue(Files.readString(folder.resolve("counts.json")).contains("\"described\""));
  }

  /** The console hears of a description before it hears of calls. */
  @Test
  void theConsoleTellsEachThingOnceWithItsLines() {
    String yard = YARD.replace("summary: one hive", "deprecated: true");
    List<RunEvent> events = new ArrayList<>(made("k1", ODD, yard).events());
    int described = 0;
    while (!(events.get(described) instanceof RunEvent.Described)) {
      described++;
    }
    Collections.rotate(events.subList(1, described + 1), 1);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ConsoleReport console =
        new ConsoleReport(new PrintStream(out, true, StandardCharsets.UTF_8), new Style(false));
    events.forEach(console::hear);
    String told = out.toString(StandardCharsets.UTF_8);
    assertTrue(
        told.contains(
            "\ndescribed 1 of 2 operations of yard.yaml called, 1 thing not as described\n"
                + "deprecated GET /hives/{id} in 2 cases\n"),
        told);
    int otherwise = told.indexOf("\notherwise GET /hives/{id}, $.kind, in 1 case\n");
    assertTrue(0 < otherwise && otherwise < told.indexOf("\ndescribed"), told);
    assertTrue(told.contains("to say so, add at hive.json#/properties/kind/enum:\n"), told);
    assertEquals(50, console.described().perCent());
  }

  @Test
  void partsAreToldTogetherAndWhatIsAsDescribedIsSilent() throws Exception {
    made("k1", ODD).written(folder.resolve("a/journal.jsonl"));
    made("k2", "{\"id\": 4, \"kind\": \"long\", \"plot\": \"slope\"}")
        .at(MadeRun.WHEN.plusSeconds(9))
        .written(folder.resolve("b/journal.jsonl"));
    Path joined = folder.resolve("c/journal.jsonl");
    new JoinedJournals(
            List.of(folder.resolve("a/journal.jsonl"), folder.resolve("b/journal.jsonl")))
        .write(joined);
    RunData run = RunData.of(new Journal(joined));
    assertEquals(1, run.described().coverages().size(), "one description, told by both");
    assertEquals(
        "1 of 2 operations of yard.yaml called, everything as described",
        run.described().sentence(),
        "the later one of a case counts");
  }

  @Test
  void aJournalOfWhichNobodySaidSoCanBeHeldAgainstADescription() throws Exception {
    MadeRun plain = new MadeRun("k3");
    plain.with(plain.one("reads", Outcome.PASSED, 12, List.of(), null, List.of(), trail(ODD)));
    plain.written(folder.resolve("journal.jsonl"));
    Journal journal = new Journal(folder.resolve("journal.jsonl"));
    assertTrue(RunData.of(journal).described().isEmpty());
    var yard = DescribedCopies.read(List.of(
        new DescribedCopies.Copy("yard.yaml", "resource:/yard.yaml", YARD),
        new DescribedCopies.Copy("hive.json", "resource:/hive.json", HIVE)));
    for (String service : List.of("yard", "")) {
      RunData run = RunData.of(journal, Map.of(service, yard));
      assertEquals(
          "1 of 2 operations of yard.yaml called, 1 thing not as described",
          run.described().sentence());
    }
    assertEquals(
        "0 of 2 operations of yard.yaml called, everything as described",
        RunData.of(journal, Map.of("gate", yard)).described().sentence());
    new RunFolder(folder).writeReports(null, List.of());
    assertFalse(Files.exists(folder.resolve("description.json")));
    assertFalse(Files.exists(folder.resolve("report/description.html")));
  }

  /** Of a long description schemas are read when they are needed. */
  @Test
  void aSchemaOfNoUseIsToldAndNothingElseIsLost() throws Exception {
    String odd = YARD.replace(
            "description: gone }",
            "description: gone, content: { a/json: { schema: { type: no } } } }")
        + "# a long line\n".repeat(80_000);
    made("k4", ODD, odd).written(folder.resolve("journal.jsonl"));
    new RunFolder(folder).writeReports(null, List.of());
    JsonNode json =
        JsonMapping.standard().parse(Files.readString(folder.resolve("description.json")));
    assertEquals(1, json.path("descriptions").path(0).path("problems").size());

    String worse = odd.replace("$ref: \"hive.json\"", "type: no");
    RunData run = made("k5", ODD, worse).written(folder.resolve("worse/journal.jsonl"));
    assertEquals(
        "1 of 2 operations of yard.yaml called, 1 schema of no use, the rest as described",
        run.described().sentence(),
        "a call that could not be judged is not said to be as described");
    new RunFolder(folder.resolve("worse")).writeReports(null, List.of());
    String page = Files.readString(folder.resolve("worse/report/description.html"));
    String told =
        "<span class=\"word\">problem</span> the description cannot be used: at yard.yaml#/paths/";
    assertTrue(page.contains(told), page);
    assertTrue(page.contains("<span>200</span><span>404</span>"), "what can be said is said");
  }

  @Test
  void aCopyThatCannotBeReadIsToldAndTheCasesStay() throws Exception {
    RunData run = made("k6", ODD, "openapi: [").written(folder.resolve("journal.jsonl"));
    assertEquals(2, run.cases().size());
    assertTrue(run.described().isEmpty());
    String told = run.described().lost().get(0);
    assertTrue(told.startsWith("the copy of yard.yaml, the description of yard, cannot be read"));
    assertTrue(told.contains("report --description yard=FILE"), told);
  }
}
