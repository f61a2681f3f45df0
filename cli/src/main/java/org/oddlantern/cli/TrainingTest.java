package org.oddlantern.cli;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.json.Json;
import org.oddlantern.suite.Case;

/** What a {@link Training} runs: an ordinary suite, and a failure, which needs classes of its own. */
final class TrainingTest {

  @Case("a value is extracted and used")
  void passes(Environment env) {
    int id = env.service("socket")
        .send(Call.get("/hives/{id}", 7).header("Accept", "*/*"))
        .must(status(200), contentType("application/json"), body(Json.parse("{\"id\": 7}")))
        .valueAt("$.id", Integer.class);
    env.service("socket").send(Call.get("/hives").query("after", id)).must(at("$.id", id));
  }

  @Case("a check fails")
  void fails(Environment env) {
    env.service("socket").send(Call.get("/hives")).must(status(201), at("$.name", "Foxglove"));
  }
}
