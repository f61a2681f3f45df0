package org.oddlantern.cli;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.json.Json;
import org.oddlantern.json.Key;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.Tagged;
import org.oddlantern.suite.TidyUp;

/** What a {@link Training} runs: what most suites do, and a failure, which needs classes of its own. */
final class TrainingTest {

  static final String SCHEMA = "hive.schema.json";

  @Key
  record HiveId(int value) {}

  record Hive(int number) {}

  record Stand(int id) {}

  @Samples
  static List<Hive> hives() {
    return List.of(new Hive(7), new Hive(8));
  }

  @Supply
  Stand stand(Environment env) {
    return env.service("socket").send(Call.get("/stands")).bodyAs(Stand.class);
  }

  @TidyUp
  void free(Stand stand, Environment env) {
    env.service("socket").send(Call.delete("/stands/{id}", stand.id()));
  }

  @Case("a value is extracted and used")
  void passes(Environment env) {
    int id = env.service("socket")
        .send(Call.get("/hives/{id}", 7).header("Accept", "*/*"))
        .must(status(200), contentType("application/json"), body(Json.parse("{\"id\": 7}")))
        .valueAt("$.id", Integer.class);
    env.service("socket").send(Call.get("/hives").query("after", id)).must(at("$.id", id));
  }

  @Case("a hive is registered")
  HiveId register(Fresh fresh, Stand stand, Environment env) {
    var hive = Payload.json("{\"label\": \"Foxglove\"}").with("$.label", fresh.text("hive-"));
    return env.service("socket")
        .send(Call.post("/hives")
            .json(hive)
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", HiveId.class))))
        .must(status("2xx"), body(including(Json.parse("{}"))), at("$.id", wholeNumber()))
        .valueAt("$.id", HiveId.class);
  }

  @Case("it is as its schema says")
  void fits(HiveId id, Environment env) {
    env.service("socket")
        .send(Call.get("/hives/{id}", id))
        .must(body(schema(SCHEMA)), body(fields().with("id", atLeast(1))))
        .warnUnless(header("ETag"));
  }

  @Case("hive {number} is there")
  void isThere(Hive hive, Environment env) {
    env.service("socket").send(Call.get("/hives/{id}", hive.number())).must(status(200));
  }

  @Case("a check fails")
  @Tagged("failing")
  void fails(Environment env) {
    env.service("socket").send(Call.get("/hives")).must(status(201), at("$.name", "Foxglove"));
  }
}
