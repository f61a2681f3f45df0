package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;

/** A hive comes into being. The suites beside this one read, change and remove it. */
public class CreateHiveTest {

  /** The new hive, with the token of the keeper it belongs to. */
  public record NewHive(int id, Secret token) {

    Service beeyard(Environment env) {
      return env.service("beeyard").bearer(token);
    }
  }

  @Case("a keeper's first hive is registered")
  NewHive register(OwnKeeper keeper, Environment env, Fresh fresh) {
    var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("first-"));
    int id = env.service("beeyard")
        .bearer(keeper.token())
        .send(Call.post("/hives")
            .json(hive)
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", int.class))))
        .must(status(201), body(including(hive)), at("$.keeper", keeper.name()))
        .valueAt("$.id", int.class);
    return new NewHive(id, keeper.token());
  }
}
