package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.sql.SQLException;
import java.util.Map;
import java.util.Set;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.beeyard.Beeyard;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Occupies;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;

/** A suite that starts the service under test itself, once for all its cases, and stops it. */
public class OwnBeeyardTest {

  record OwnBeeyard(Beeyard running) {}

  private final Service beeyard;

  OwnBeeyardTest(Environment env, OwnBeeyard own) {
    beeyard = env.service("beeyard").movedTo(own.running().address());
  }

  @Supply(value = "a beeyard that nobody else visits", shared = true)
  static OwnBeeyard start() throws SQLException {
    return new OwnBeeyard(Beeyard.start(0, 0, Set.of()));
  }

  @TidyUp
  static void stop(OwnBeeyard own) {
    own.running().close();
  }

  @Case("a new beeyard is well")
  void isWell() {
    beeyard.send(Call.get("/health")).must(status(200), body(Map.of("status", "ok")));
  }

  @Case("the name of a keeper is taken once")
  @Retries(1)
  @Occupies("the register of keepers")
  void taken() {
    var keeper = Map.of("name", "linden", "password", "smoke-and-willow");
    beeyard.send(Call.post("/keepers").json(keeper)).must(status(oneOf(201, 409)));
    beeyard.send(Call.post("/keepers").json(keeper)).must(status(409));
  }
}
