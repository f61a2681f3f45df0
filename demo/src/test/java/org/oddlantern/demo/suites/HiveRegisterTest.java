package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Key;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.UsesUp;

/** The register of hives: a hive is registered, read back, renamed and removed. */
public class HiveRegisterTest {

  /** The number of the hive that these cases are about. */
  @Key
  public record HiveId(int value) {}

  record Renamed(String label) {}

  private final Service beeyard;

  HiveRegisterTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Case("a keeper registers a hive")
  HiveId register(Fresh fresh) {
    var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("hive-"));
    return beeyard
        .send(Call.post("/hives")
            .json(hive)
            .named("register a hive")
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", HiveId.class))))
        .must(
            status(201),
            body(including(hive)),
            at("$.id", wholeNumber()),
            at("$.registeredOn", anyText()))
        .valueAt("$.id", HiveId.class);
  }

  @Case("a registration says where the new hive is")
  void whereItIs(Fresh fresh) {
    var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("hive-"));
    var reply = beeyard.send(Call.post("/hives")
        .json(hive)
        .named("register a hive")
        .undoneBy(
            registered -> Call.delete("/hives/{id}", registered.valueAt("$.id", HiveId.class))));
    reply.must(
        status(201),
        header("Location", "/api/hives/" + reply.valueAt("$.id", int.class)),
        header("ETag"));
  }

  @Case("the new hive can be read back")
  void readBack(HiveId id) {
    beeyard
        .send(Call.get("/hives/{id}", id))
        .must(status(200), contentType("application/json"), at("$.id", id), at("$.keeper", "wren"))
        .warnUnless(header("ETag"));
  }

  @Case("the new hive is in the list")
  void inTheList(HiveId id) {
    var hives = beeyard
        .send(Call.get("/hives"))
        .must(status(200), at("$.items[*].id", eachItem(wholeNumber())));
    hives.must(at("$.items[*].id", itemsIncluding(id)));
  }

  @Case("a hive is renamed")
  Renamed rename(@Changes HiveId id, Fresh fresh) {
    String label = fresh.text("renamed-");
    beeyard
        .send(Call.patch("/hives/{id}", id)
            .json(Payload.of(new Renamed(label)))
            .named("rename the hive"))
        .must(status(200), at("$.id", id), at("$.label", label));
    return new Renamed(label);
  }

  @Case("the new name is kept")
  void newName(HiveId id, Renamed now) {
    beeyard.send(Call.get("/hives/{id}", id)).must(status(200), at("$.label", now.label()));
  }

  @Case("a hive can be described anew as a whole")
  void replace(@Changes HiveId id, Renamed before, Fresh fresh) {
    var hive = Payload.json("""
                {"label": "", "kind": "long", "queenYear": 2025, "plot": "orchard"}
                """).with("$.label", fresh.text("anew-"));
    beeyard
        .send(Call.put("/hives/{id}", id).json(hive))
        .must(status(200), at("$.id", id), body(including(hive)));
  }

  @Case("a hive that was removed is gone")
  void remove(@UsesUp HiveId id) {
    beeyard.send(Call.delete("/hives/{id}", id)).must(status(204));
    beeyard.send(Call.get("/hives/{id}", id)).must(status(404));
  }

  @Case("hives are listed quickly")
  void quickList() {
    var hives = beeyard.send(Call.get("/hives").timeout(Duration.ofSeconds(2)));
    hives.must(status(200), at("$.total", wholeNumber()));
  }
}
