package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.HiveRegisterTest.HiveId;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;

/** What happens at the same moment, and what never ends. */
public class HoneyTest {

  private final Service beeyard;

  HoneyTest(Environment env, Session wren) {
    beeyard = env.service("beeyard").bearer(wren.token());
  }

  @Case("eight helpers fill jars at the same moment, and all are counted")
  void together(HiveId hive) {
    beeyard
        .sendAtOnce(8, number -> Call.post("/hives/{id}/jars", hive).json(Map.of("filled", number)))
        .must(atEach("$[*].status", exactly(200)));
    beeyard.send(Call.get("/hives/{id}/jars", hive)).must(at("$.jars", 36));
  }

  @Case("the gate reports who flies, for as long as one looks")
  void flights() {
    beeyard
        .send(Call.get("/hives/{id}/flights", 2).readingEvents(3, Duration.ofSeconds(5)))
        .must(status(200), contentType("text/event-stream"))
        .events()
        .must(atEach("$[*].event", exactly("flight")), at("$[*].data.bees", items(20, 23, 26)));
  }
}
