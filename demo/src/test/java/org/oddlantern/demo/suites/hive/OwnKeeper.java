package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.payload.Fresh;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;

/** A keeper whom a case has for itself. */
public record OwnKeeper(String name, Secret token) {

  @Supply("a keeper of one's own")
  static OwnKeeper signedUp(Environment env, Fresh fresh) {
    Service beeyard = env.service("beeyard");
    var keeper = Map.of("name", fresh.text("keeper-"), "password", fresh.text("thyme-"));
    beeyard.send(Call.post("/keepers").json(keeper)).must(status(201));
    Secret token = beeyard
        .send(Call.post("/sign-in")
            .json(Map.of("keeper", keeper.get("name"), "password", keeper.get("password"))))
        .must(status(200))
        .valueAt("$.token", Secret.class);
    return new OwnKeeper(keeper.get("name"), token);
  }

  @TidyUp
  static void leave(OwnKeeper keeper, Environment env) {
    env.service("beeyard")
        .bearer(keeper.token())
        .send(Call.delete("/keepers/{name}", keeper.name()))
        .must(status(204));
  }
}
