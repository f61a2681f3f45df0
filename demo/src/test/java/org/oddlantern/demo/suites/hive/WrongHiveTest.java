package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.Edge;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.Wrong;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;

/** Hives that the description of the beeyard refuses, each at one place, and hives that it just takes. */
public class WrongHiveTest {

  record Form(String label, String kind, int queenYear, String plot) {

    static Form good(Fresh fresh) {
      return new Form(fresh.text("hive-"), "stack", 2024, "orchard");
    }
  }

  private static final String NEW_HIVE = "beeyard.yaml#/components/schemas/NewHive";

  private final Service beeyard;

  WrongHiveTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Samples
  static List<Wrong<Form>> wrong() {
    return Schema.named(NEW_HIVE).wrong(Form.class);
  }

  @Case("a hive is refused if {what}")
  void refused(Wrong<Form> wrong, Fresh fresh) {
    beeyard
        .send(Call.post("/hives").json(wrong.in(Form.good(fresh))))
        .must(status(oneOf(400, 422)), at("$.detail", anyText()));
  }

  @Samples
  static List<Edge<Form>> edges() {
    return Schema.named(NEW_HIVE).edges(Form.class).without("shortest");
  }

  @Case("a hive is taken if {what}")
  void taken(Edge<Form> edge, Fresh fresh) {
    var hive = edge.in(Form.good(fresh));
    beeyard
        .send(Call.post("/hives")
            .json(hive)
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", int.class))))
        .must(status(201), body(including(hive)));
  }
}
