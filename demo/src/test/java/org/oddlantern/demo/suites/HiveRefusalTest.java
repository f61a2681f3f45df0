package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.NeighbourSession;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;

/** What the register refuses, and how it says so. */
public class HiveRefusalTest {

  private final Service beeyard;

  HiveRefusalTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Case("a hive without a plot and of an unknown kind is refused, field by field")
  void wrongFields() {
    var hive = Payload.file("payloads/hive.json").without("$.plot").with("$.kind", "teapot");
    beeyard
        .send(Call.post("/hives").json(hive))
        .must(
            status(422),
            at("$.problems", size(2)),
            at("$.problems[*].field", exactly(new String[] {"kind", "plot"})),
            at("$.problems[1].problem", "is missing"));
  }

  @Case("a label that is taken is refused")
  void takenLabel() {
    beeyard
        .send(Call.post("/hives").json(Payload.file("payloads/hive.json")))
        .must(status(409), at("$.detail", "the label 'Foxglove' is taken"));
  }

  @Case("text that is not JSON is refused")
  void brokenJson() {
    beeyard.send(Call.post("/hives").json("{\"label\": ")).must(status(400));
  }

  @Case("a hive nobody registered is not found")
  void unknownHive() {
    beeyard.send(Call.get("/hives/{id}", 999_999)).must(status("4xx"), at("$.status", 404));
  }

  /** Hives of others. */
  class OfANeighbour {

    private final Service neighbour;

    OfANeighbour(Environment env, NeighbourSession session) {
      neighbour = env.service("beeyard").bearer(session.token());
    }

    @Case("a keeper cannot rename the hive of a neighbour")
    void rename() {
      neighbour.send(Call.patch("/hives/1").json(Map.of("label", "Mine now"))).must(status(403));
      beeyard.send(Call.get("/hives/1")).must(status(200), at("$.label", "Foxglove"));
    }

    @Case("a keeper cannot remove the hive of a neighbour")
    void remove() {
      neighbour.send(Call.delete("/hives/1")).must(status(403));
      beeyard.send(Call.get("/hives/1")).must(status(200));
    }
  }
}
