package org.oddlantern.dist.failures;

import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.oddlantern.demo.beeyard.Beeyard;
import org.oddlantern.demo.beeyard.Fault;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;

/** Jars that are counted at the same moment: lost by a careless beeyard, and by no other. */
class AtOnceIT {

  @Test
  void whatIsLostIsShown() throws Exception {
    try (Beeyard beeyard = Beeyard.start(0, 0, Set.of(Fault.RACING_JARS))) {
      CheckFailed lost = assertThrows(CheckFailed.class, () -> fill(signedIn(beeyard), 1));
      assertTrue(
          lost.getMessage().matches("(?s).*at\\(\"\\$.jars\", 36\\).*wanted +36.*got +\\d+.*"),
          lost.getMessage());
    }
  }

  @Test
  void whatIsNotLostIsNotSaidToBe() throws Exception {
    try (Beeyard beeyard = Beeyard.start(0, 0, Set.of())) {
      Service service = signedIn(beeyard);
      for (int hive = 1; hive <= 20; hive++) {
        fill(service, hive);
      }
    }
  }

  private static Service signedIn(Beeyard beeyard) {
    Service service = Service.reachedAt(beeyard.address());
    return service.bearer(service
        .send(Call.post("/sign-in").json(Map.of("keeper", "wren", "password", "honey-and-thyme")))
        .valueAt("$.token", Secret.class));
  }

  private static void fill(Service service, int hive) {
    service
        .sendAtOnce(8, number -> Call.post("/hives/{id}/jars", hive).json(Map.of("filled", number)))
        .must(atEach("$[*].status", exactly(200)));
    service.send(Call.get("/hives/{id}/jars", hive)).must(at("$.jars", 36));
  }
}
