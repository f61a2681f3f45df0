package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.config.Environment;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.StandIn;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Supply;
import org.oddlantern.testing.LocalServer;

/** What cases see that the description of a service does not say. */
class DescribedTest {

  private static final String PLOTS = """
      openapi: 3.1.0
      info: { title: plots, version: "1" }
      paths:
        /plots:
          get:
            responses:
              "200":
                description: the plots
                content:
                  application/json:
                    schema: { type: array, items: { type: string, enum: [orchard, slope] } }
              "404": { description: none, content: { application/json: {} } }
      """;

  /** Asks for plots of which one is not described. */
  public static class PlotTest {

    private final Environment env;

    PlotTest(Environment env) {
      this.env = env;
    }

    @Case("plots are told")
    void plots() {
      env.service("yard").send(Call.get("/plots")).must(status(200), body(size(2)));
    }

    @Case("plots are as described")
    void asTheyAre() {
      env.service("yard").send(Call.get("/plots")).must(asDescribed());
    }

    @Case("a described refusal is still an error that nobody looked at")
    void refused() {
      env.service("yard").send(Call.get("/plots?none")).must(asDescribed());
    }

    @Case("what is tried again counts at last only")
    void tried() {
      eventually(
          Duration.ofSeconds(5),
          () -> env.service("yard").send(Call.get("/plots?soon")).must(status(200), body(empty())));
    }

    @Case("what is refused may be otherwise")
    void refusedOnPurpose() {
      env.service("yard").send(Call.delete("/plots")).must(status(404));
    }
  }

  /** Asks a neighbour that nobody has told what to answer. */
  public static class NeighbourTest {

    record Neighbour(StandIn standIn) {}

    @Supply("a neighbour")
    static Neighbour neighbour() {
      return new Neighbour(StandIn.open()
          .answering("DELETE /hives/{id}", Answer.of(409))
          .answeringAsDescribed("neighbour.yaml"));
    }

    private static Reply asked(Neighbour neighbour, Call call) {
      return Service.reachedAt(neighbour.standIn().url()).send(call);
    }

    @Case("a neighbour answers as it is described")
    void answers(Neighbour neighbour) {
      asked(neighbour, Call.get("/plots").query("kind", "long"))
          .must(status(200), header("X-Count", "1"), body(items("orchard")));
      asked(neighbour, Call.get("/hives/4"))
          .must(status(203), at("$.label", size(4)), at("$.frames", between(2, 3)));
      asked(neighbour, Call.delete("/hives/4")).must(status(409));
    }

    @Case("what it is asked otherwise fails")
    void askedOtherwise(Neighbour neighbour) {
      asked(neighbour, Call.get("/plots").query("kind", "top")).must(status(200));
    }

    @Case("what it does not know fails")
    void askedElsewhere(Neighbour neighbour) {
      asked(neighbour, Call.get("/bees")).must(status(501));
    }
  }

  private static final String NEIGHBOUR = """
      openapi: 3.0.3
      paths:
        /plots:
          get:
            parameters: [ { name: kind, in: query, schema: { type: string, enum: [long, straw] } } ]
            responses:
              "404": { description: none }
              "200":
                description: plots
                headers: { X-Count: { required: true, schema: { type: integer, minimum: 1, maximum: 1 } } }
                content: { application/json: { example: [ orchard ] } }
        /hives/{id}:
          get:
            responses:
              "203":
                description: a hive
                content:
                  application/json:
                    schema:
                      type: object
                      properties:
                        label: { type: string, minLength: 4, maxLength: 4 }
                        frames: { type: integer, minimum: 2, maximum: 3 }
                      required: [label, frames]
          delete: { responses: { "204": { description: gone } } }
      """;

  private final AtomicInteger soon = new AtomicInteger();
  private final AtomicInteger described = new AtomicInteger();
  private String own = PLOTS;
  private final HttpServer server = LocalServer.started("plots", this::handle);

  @TempDir
  Path folder;

  private void handle(HttpExchange exchange) throws IOException {
    String path = exchange.getRequestURI().toString();
    boolean refused = path.endsWith("none") || exchange.getRequestMethod().equals("DELETE");
    String body = path.equals("/openapi.yaml")
        ? own
        : path.endsWith("soon") && soon.incrementAndGet() > 2 ? "[]" : "[\"orchard\",\"meadow\"]";
    described.addAndGet(path.equals("/openapi.yaml") ? 1 : 0);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
    exchange.sendResponseHeaders(refused ? 404 : 200, bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  private Trial run(String description, String... cases) throws IOException {
    Files.writeString(folder.resolve("plots.yaml"), PLOTS);
    Files.writeString(folder.resolve("neighbour.yaml"), NEIGHBOUR);
    Path file = folder.resolve("odd-lantern.yaml");
    Files.writeString(file, """
        environment: local
        environments:
          local: { services: { yard: { url: "http://127.0.0.1:%d", description: %s } } }
        """.formatted(server.getAddress().getPort(), description));
    Settings settings = SettingsFile.find(folder, getClass().getClassLoader());
    return Trial.on(
        settings,
        settings.environment(null),
        List.of(cases).stream()
            .map(one -> one.contains("#") ? one : "PlotTest#" + one)
            .toList());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "plots.yaml                                  | passed undescribed",
        "{ from: plots.yaml, judge: warn }           | passed undescribed",
        "{ from: plots.yaml, judge: off }            | passed",
        "{ from: plots.yaml, judge: must }           | failed undescribed",
        "/openapi.yaml                               | passed undescribed",
        "{ from: /openapi.yaml, judge: must }        | failed undescribed"
      })
  void whatIsOtherwiseCountsAsTheSettingsSay(String description, String wanted) throws IOException {
    Trial trial = run(description, "plots", "tried", "refusedOnPurpose");
    assertEquals(wanted, word(trial, "plots"), String.valueOf(trial.one("plots").problem()));
    assertEquals("passed", word(trial, "tried"));
    assertEquals("passed", word(trial, "refusedOnPurpose"));
    assertEquals(description.contains("/openapi") ? 1 : 0, described.get(), "it is fetched once");
    if (wanted.startsWith("failed")) {
      String told = String.valueOf(trial.one("plots").exchanges().get(0).verdicts());
      assertTrue(told.contains("one of \"orchard\", \"slope\", says "), told);
      assertTrue(told.contains("#/paths/~1plots/get/responses/200/content/"), told);
      assertTrue(told.contains("items/enum:\n- meadow"), told);
    }
  }

  private static String word(Trial trial, String method) {
    return trial.one(method).word()
        + trial.one(method).marks().stream()
            .filter(mark -> mark == Mark.UNDESCRIBED)
            .map(mark -> " " + mark.word())
            .collect(Collectors.joining());
  }

  @Test
  void asACheckItFailsAndLooksAtNoStatus() throws IOException {
    Trial trial = run("plots.yaml", "asTheyAre", "refused");
    assertEquals("failed asTheyAre, failed refused", trial.outcomes());
    String told = String.valueOf(trial.one("refused").problem());
    assertTrue(told.contains("404 Not Found: an error status that no check asked for"), told);
  }

  @Test
  void aFileThatCannotBeUsedIsToldBeforeAnythingIsSent() {
    assertTrue(String.valueOf(
            assertThrows(SettingsProblem.class, () -> run("gone.yaml", "plots")).getMessage())
        .contains("odd-lantern.yaml, line 3: the description cannot be used: at gone.yaml"));
    assertTrue(String.valueOf(assertThrows(
                SettingsProblem.class, () -> run("{ from: a.yaml, judge: maybe }", "plots"))
            .getMessage())
        .contains("'judge' is warn, must or off, not 'maybe'"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "openapi: 9 | the description cannot be used: at /openapi.yaml#/openapi",
        "'<html>'   | the description cannot be used: at /openapi.yaml"
      })
  void aBrokenOneOfTheServiceIsAProblemOfTheRun(String text, String wanted) throws IOException {
    own = text;
    Trial trial = run("/openapi.yaml", "plots", "tried");
    assertEquals("passed", word(trial, "plots"));
    List<String> problems = trial.result().problems();
    assertEquals(1, problems.size(), String.valueOf(problems));
    assertTrue(problems.get(0).startsWith(wanted), problems.get(0));
    assertFalse(trial.result().isGreen() && problems.isEmpty());
  }

  @Test
  void aStandInAnswersByADescriptionAndJudgesWhatItIsAsked() throws IOException {
    Trial trial = run(
        "plots.yaml",
        "NeighbourTest#answers",
        "NeighbourTest#askedOtherwise",
        "NeighbourTest#askedElsewhere");
    assertEquals(
        "passed answers, failed askedOtherwise, failed askedElsewhere",
        trial.outcomes(),
        String.valueOf(trial.cases()));
    String told = String.valueOf(trial.one("askedOtherwise").exchanges());
    assertTrue(
        told.contains("wanted=one of \"long\", \"straw\", says neighbour.yaml#/paths"), told);
    assertFalse(told.contains("the call was accepted"), told);
  }

  @Test
  void theJournalKeepsTheDescription() throws IOException {
    Trial trial = run("/openapi.yaml", "plots");
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      for (RunEvent event : trial.events()) {
        writer.hear(event);
      }
    }
    Journal journal = new Journal(file);
    List<DescribedRecord> read = new ArrayList<>();
    journal.read(event -> {
      if (event instanceof RunEvent.Described one) {
        read.add(one.record());
      }
    });
    assertEquals(1, read.size());
    assertEquals("yard", read.get(0).service());
    assertEquals(PLOTS, journal.text(read.get(0).documents().get(0)));
    assertEquals(
        Map.of("described/000001.yaml", PLOTS),
        Map.of(
            String.valueOf(read.get(0).documents().get(0).file()),
            Files.readString(folder.resolve("described/000001.yaml"))));
  }
}
