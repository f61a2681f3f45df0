package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RecipeRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.folder.RunFolder;

/** What is told of cases whose samples change a good value. */
class TriedRecipesTest {

  @TempDir
  Path folder;

  private final MadeRun made = new MadeRun("k1");

  private void tried(String method, String what, boolean breaks, Outcome outcome, int status) {
    ExchangeRecord exchange = new ExchangeRecord(
        new ExchangeRecord.Origin("", "yard", "/hives"),
        new ExchangeRecord.Request(
            "POST", "http://127.0.0.1:7411/hives", List.of(), BodyRecord.NONE, List.of()),
        new ExchangeRecord.Reply(
            status, "", List.of(new Header("Content-Length", "0")), BodyRecord.NONE),
        MadeRun.WHEN,
        4_000,
        status == 0 ? "no reply" : null,
        List.of());
    CaseRecord one = made.one(
        method + "[" + what + "]",
        outcome,
        1,
        List.of(),
        null,
        List.of(),
        new CaseTrail(List.of(exchange), List.of(), "", List.of(), List.of(), List.of()));
    CaseHead head = new CaseHead(
        one.kind(), one.id(), one.suite(), one.title(), "", "", "", new RecipeRecord(what, breaks));
    made.with(new CaseRecord(head, one.timing(), one.ending(), List.of(), one.trail(), null));
  }

  @Test
  void whatWasTakenThoughWrongAndRefusedThoughGoodIsTold() throws Exception {
    tried("refused", "a is null", true, Outcome.PASSED, 422);
    tried("refused", "a is too long", true, Outcome.FAILED, 201);
    tried("refused", "a is missing", true, Outcome.FAILED, 500);
    tried("refused", "a is below 3", true, Outcome.INTERRUPTED, 201);
    tried("refused", "a is above 9", true, Outcome.SKIPPED, 0);
    tried("fits", "a is left out", false, Outcome.FAILED, 400);
    tried("fits", "a is 9, the most", false, Outcome.PASSED, 201);
    made.with("plain", Outcome.FAILED, 3);
    String wrong =
        "YardTest#refused: 1 of 3 refused; accepted: a is too long; 1 case failed otherwise";
    String edge = "YardTest#fits: 1 of 2 accepted; refused: a is left out";

    RunData run = made.written(folder.resolve("journal.jsonl"));
    assertEquals(
        List.of(new TriedRecipes.Told("Wrong", wrong), new TriedRecipes.Told("Edge", edge)),
        run.recipes().told());
    new RunFolder(folder).writeReports(null, List.of());
    String summary = Files.readString(folder.resolve("summary.md"));
    assertTrue(summary.contains("Wrong: YardTest"), summary);

    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ConsoleReport console =
        new ConsoleReport(new PrintStream(out, true, StandardCharsets.UTF_8), new Style(false));
    made.events().forEach(console::hear);
    String told = out.toString(StandardCharsets.UTF_8);
    assertTrue(told.contains("\nwrong     " + wrong + "\nedge      " + edge + "\n"), told);
  }

  @Test
  void ofManyTheFirstAreNamed() {
    TriedRecipes recipes = new TriedRecipes();
    for (int i = 0; i < 9; i++) {
      tried("refused", "a" + i, true, Outcome.FAILED, 200);
    }
    made.events().forEach(event -> {
      if (event instanceof RunEvent.CaseFinished finished) {
        recipes.add(finished.record());
      }
    });
    assertEquals(
        "YardTest#refused: 0 of 9 refused; accepted: a0, a1, a2, a3, a4, 4 more",
        recipes.told().get(0).sentence());
  }
}
