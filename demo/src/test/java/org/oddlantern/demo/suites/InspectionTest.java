package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;

/** The book of inspections: a long list, filtered and cut into pages. */
public class InspectionTest {

  /** One inspection, as far as these cases care. */
  public record Inspection(int id, int hive, String mood, int frames) {}

  private final Service beeyard;

  InspectionTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Case("every inspection has hive, frames and mood")
  void all() {
    beeyard
        .send(Call.get("/inspections"))
        .must(
            status(200),
            at("$.total", 72),
            at("$.items", size(72)),
            at("$.items[*].hive", eachItem(wholeNumber())),
            at("$.items[*].frames", eachItem(wholeNumber())),
            at("$.items[*].mood", eachItem(anyText())));
  }

  @Case("inspections can be filtered by hive")
  void ofOneHive() {
    beeyard
        .send(Call.get("/inspections")
            .query("hive", 2)
            .query("limit", 10)
            .named("inspections of one hive"))
        .must(status(200), at("$.items", size(10)), at("$.items[*].hive", eachItem(2)));
  }

  @Case("one inspection can be read by itself")
  void one() {
    var reply = beeyard.send(Call.get("/inspections/{id}", 5));
    Inspection inspection = reply.must(status(200)).bodyAs(Inspection.class);
    reply.must(at("$.id", 5), body(including(inspection)), at("$.queenSeen", anyValue()));
  }
}
