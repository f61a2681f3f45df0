package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.database.Database;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.UsesUp;

/** What stands behind the replies: rows of the store, and effects that arrive later. */
public class StoreTest {

  private static final Secret PASSWORD = Secret.of("lavender-and-lime");

  /** Somebody who signed up just now. */
  public record Newcomer(String name, Secret token) {}

  private final Service beeyard;
  private final Database store;

  StoreTest(Environment env) {
    beeyard = env.service("beeyard");
    store = env.database("store");
  }

  @Case("who signs up is stored, the password not as it is")
  Newcomer signUp(Fresh fresh) {
    String name = fresh.text("keeper-");
    store.noRow("select * from keeper where name = ?", name);
    beeyard
        .send(Call.post("/keepers")
            .json(Map.of("name", name, "password", PASSWORD))
            .named("sign up"))
        .must(status(201), at("$.name", name));
    store
        .row("select * from keeper where name = ?", name)
        .must(
            including(Map.of("name", name)),
            at("$.password", not(PASSWORD).and(textMatching("[0-9a-f]+:[0-9a-f]+"))));
    return new Newcomer(name, tokenOf(name));
  }

  @Case("the token that was given is the token that is stored")
  void token(Newcomer newcomer) {
    store
        .row("select * from token where keeper = ?", newcomer.name())
        .must(at("$.token", newcomer.token()));
  }

  @Case("a removed hive is gone from the store, too")
  void removed(Session session, Fresh fresh) {
    var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("gone-"));
    Service wren = beeyard.bearer(session.token());
    int id = wren.send(Call.post("/hives").json(hive)).must(status(201)).valueAt("$.id", int.class);
    wren.send(Call.get("/hives/{id}", id)).must(status(200), at("$.label", anyText()));
    store.count("select * from hive where id = ?", id).must(exactly(1));
    wren.send(Call.delete("/hives/{id}", id)).must(status(204), noBody());
    store.noRow("select * from hive where id = ?", id);
    wren.send(Call.get("/hives/{id}", id)).must(status(404));
  }

  @Case("a harvest that was handed in is weighed a little later")
  void weighed(Session session) {
    Service wren = beeyard.bearer(session.token());
    var reply = wren.send(Call.post("/harvests").json(Map.of("kilograms", 12.5)));
    int id = reply.must(status(202), at("$.state", "waiting")).valueAt("$.id", int.class);
    eventually(
        Duration.ofSeconds(5),
        () -> wren.send(Call.get("/harvests/{id}", id)).must(status(200), at("$.state", "done")));
  }

  @Case("a keeper who leaves is forgotten")
  void leave(@UsesUp Newcomer newcomer) {
    beeyard
        .bearer(newcomer.token())
        .send(Call.delete("/keepers/{name}", newcomer.name()))
        .must(status(204));
    store.noRow("select * from keeper where name = ?", newcomer.name());
  }

  private Secret tokenOf(String name) {
    return beeyard
        .send(Call.post("/sign-in")
            .json(Map.of("keeper", name, "password", PASSWORD))
            .named("sign in"))
        .must(status(200))
        .valueAt("$.token", Secret.class);
  }
}
