package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;

/** What can be said of a reply, and what can be read out of it. */
public class ReadingTest {

  /** One inspection, as the season rules see it. */
  public record Inspection(int id, LocalDate madeOn, String mood, int frames, boolean queenSeen) {

    /** What is wrong with it; nothing if all is well. */
    List<String> problems() {
      List<String> problems = new ArrayList<>();
      if (frames == 0 && queenSeen) {
        problems.add("the queen was seen where no frame has brood");
      }
      if (madeOn.getYear() < 2026) {
        problems.add("made in an earlier season: " + madeOn);
      }
      return problems;
    }
  }

  private final Service beeyard;

  ReadingTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Case("the season is read without loss")
  void season() {
    var season = beeyard.send(Call.get("/season"));
    season
        .must(
            status(between(200, 299)),
            contentType("application/json"),
            answeredWithin(Duration.ofSeconds(2)),
            at("$.grains", 9007199254740993L),
            at("$.kilograms", new BigDecimal("1234.567890123456789")),
            at("$.price", near(12.5, 0.005)),
            at("$.coldest", atMost(0).and(not(0))),
            at("$.opensAt", dateTime()),
            at("$.opensAt", near(Instant.parse("2026-03-01T06:00:00Z"), Duration.ZERO)),
            at("$.name", oneOf("Heather", "Lime", "Clover")),
            at("$.notes", textMatching("clover .* frosts\\.")),
            at("$.harvests[?@.plot == 'north slope'].jars[*].grams", List.of(250, 250, 500)),
            at("$..grams", eachItem(atLeast(250))))
        .warnUnless(answeredWithin(Duration.ofMillis(500)));
  }

  @Case("a hive has these fields and no others")
  void fieldsOfAHive() {
    beeyard
        .send(Call.get("/hives/{id}", 1))
        .must(
            status(200),
            body(onlyKeys("id", "label", "kind", "queenYear", "plot", "keeper", "registeredOn")),
            body(fields()
                .with("id", wholeNumber())
                .with("label", "Foxglove")
                .with("queenYear", between(2020, 2030))
                .with("registeredOn", date())
                .with("removedOn", missing())),
            body(including(Map.of("keeper", "wren", "id", wholeNumber()))));
    beeyard
        .send(Call.get("/hives/{id}", 1))
        .must(status(200), asAgreed().but("$.registeredOn", date()));
  }

  @Case("every inspection keeps the season rules")
  void eachInspection() {
    beeyard
        .send(Call.get("/inspections"))
        .must(
            status(200),
            atEach("$.items", fields().with("frames", between(0, 10)).with("madeOn", date())),
            atEach("$.items", judgedBy("season rules", Inspection.class, Inspection::problems)),
            atEach(
                "$.items",
                holds(
                    "made in spring or summer",
                    item -> item.valueAt("$.madeOn", LocalDate.class).getMonthValue() < 9)),
            at("$.items", itemsIncluding(including(Map.of("id", 37, "mood", anyText())))));
  }

  @Case("the moods of a page come in any order")
  void moods() {
    var page = beeyard.send(Call.get("/inspections").query("limit", 4)).must(status(200));
    page.must(
        at("$.items[*].mood", items("calm", "restless", "busy", "swarming").inAnyOrder()),
        at("$.items[*].id", items(1, 2, 3, 4)),
        at("$.items[*].mood", distinct()),
        at("$.items", sortedBy("$.madeOn")));
    List<Inspection> inspections = page.valuesAt("$.items[*]", Inspection.class);
    page.must(holds("four inspections were read", inspections.size() == 4));
  }

  @Case("all that is wrong with several replies is reported at once")
  void several() {
    gatherFailures(() -> {
      for (int id = 1; id <= 3; id++) {
        beeyard.send(Call.get("/hives/{id}", id)).must(status(200), at("$.id", id));
      }
    });
  }

  @Case("the export is XML")
  void export() {
    var export = beeyard.send(Call.get("/export"));
    export.must(
        status(200),
        contentType("application/xml"),
        xpath("/hives/hive[1]/kind", "stack"),
        xpath("/hives/hive/@id", eachItem(wholeNumber())),
        xpath("count(/hives/hive)", atLeast(3)));
    int second = export.valueAt("/hives/hive[2]/@id", int.class);
    export.must(holds("ids count up", second == 2));
  }

  @Case("a harvest can be waited for")
  void waited() {
    int id = beeyard
        .send(Call.post("/harvests").json(Map.of("kilograms", 3)))
        .must(status(202))
        .valueAt("$.id", int.class);
    var reply = waitFor(
        Duration.ofSeconds(5),
        () -> beeyard.send(Call.get("/harvests/{id}", id)).must(at("$.state", "done")));
    reply.must(status(200));
  }
}
