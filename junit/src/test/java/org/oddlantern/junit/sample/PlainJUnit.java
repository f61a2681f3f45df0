package org.oddlantern.junit.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.oddlantern.check.Checks.*;

import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.junit.ServiceNamed;
import org.oddlantern.junit.UsesServices;
import org.oddlantern.payload.Fresh;

/** Plain JUnit tests that use services; some are meant to fail. */
@UsesServices
public class PlainJUnit {

  @Test
  void registersAHive(Service beeyard, Fresh fresh) {
    beeyard
        .send(Call.post("/hives")
            .json("{\"label\":\"" + fresh.text("hive-") + "\"}")
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", Integer.class))))
        .must(status(201));
  }

  @ParameterizedTest
  @ValueSource(strings = {"no-such", "gone"})
  void isNotFound(String id, @ServiceNamed("beeyard") Service beeyard) {
    beeyard.send(Call.get("/hives/{id}", id)).must(status(404));
  }

  @Test
  void failsACheck(Environment environment) {
    environment.service("beeyard").send(Call.get("/hives/7")).must(status(200));
  }

  @Test
  void overlooksAnErrorStatus(Service beeyard) {
    beeyard.send(Call.get("/hives/7"));
  }

  @Test
  void failsByJUnit(Service beeyard) {
    assertEquals(200, beeyard.send(Call.get("/hives/7")).status());
  }

  @Test
  void isNotMeantForHere() {
    Assumptions.assumeTrue(false, "no bees here");
  }

  @Test
  void leavesSomethingBehind(Service beeyard) {
    Secret key = Secret.of("queen-of-1987");
    beeyard
        .send(Call.post("/hives")
            .header("X-Keeper-Key", key)
            .json("{}")
            .undoneBy(reply -> Call.put("/hives/1")))
        .must(status(201));
  }
}
