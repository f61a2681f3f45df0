package org.example.apiary;

import static org.oddlantern.check.Checks.*;

import org.junit.jupiter.api.Test;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.junit.UsesServices;
import org.oddlantern.payload.Fresh;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.test.context.SpringBootTest;

/** A plain test of the framework, whose calls stand in the report beside the suites. */
@UsesServices
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
class HiveStartTest {

  @Value("${local.server.port}")
  private int port;

  @Test
  void aHiveThatIsNotThereIsNotFound(Fresh fresh) {
    Service apiary = Service.reachedAt("http://localhost:" + port);
    apiary.send(Call.get("/hives/{id}", fresh.number(100_000, 200_000))).must(status(404));
  }
}
