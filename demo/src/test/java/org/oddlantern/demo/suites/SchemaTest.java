package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.database.Database;
import org.oddlantern.demo.suites.HiveRegisterTest.HiveId;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.SchemaReader;
import org.oddlantern.suite.Case;

/** What the beeyard gives and takes, held against JSON Schemas and its API description. */
public class SchemaTest {

  static final Schema HIVE = Schema.named("schemas/hive.json");

  private final Service beeyard;
  private final Database store;

  SchemaTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
    store = env.database("store");
  }

  @Case("a hive is as its schema says")
  void hive(HiveId id) {
    beeyard.send(Call.get("/hives/{id}", id)).must(status(200), body(HIVE));
  }

  @Case("each hive of the register is as its schema says")
  void register() {
    beeyard
        .send(Call.get("/hives"))
        .must(
            status(200),
            atEach("$.items[*]", HIVE),
            at("$.items", eachItem(HIVE.and(fields().with("keeper", anyText())))));
  }

  @Case("a page of inspections is as its schema says, which refers to another")
  void inspections() {
    beeyard
        .send(Call.get("/inspections").query("perPage", 50))
        .must(status(200), body(schema("schemas/inspections.json")));
  }

  @Case("what registers a hive is what the description asks for")
  void sent(Fresh fresh) {
    var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("hive-"));
    var reply = beeyard.send(Call.post("/hives")
        .json(hive)
        .undoneBy(made -> Call.delete("/hives/{id}", made.valueAt("$.id", HiveId.class))));
    reply.must(status(201), body(schema("schemas/hive.json")));
    reply.sent().must(body(schema("beeyard.yaml#/components/schemas/NewHive")));
  }

  @Case("a row of the store fits a schema, too")
  void row(HiveId id) {
    store
        .row("select id, label, kind from hive where id = ?", id)
        .must(at("$.id", id), body(Schema.text("""
            { "properties": { "label": { "minLength": 1 }, "kind": { "enum": ["stack"] } },
              "required": ["id", "label", "kind"] }
            """)));
  }

  @Case("a format of one's own")
  void format(HiveId id) {
    SchemaReader reader = SchemaReader.standard()
        .withFormat("plot", "a plot of Fennel Hill", plot -> plot.matches("[a-z]+( [a-z]+)?"));
    beeyard
        .send(Call.get("/hives/{id}", id))
        .must(
            status(200),
            at("$.plot", reader.text("{ \"type\": \"string\", \"format\": \"plot\" }")));
  }
}
