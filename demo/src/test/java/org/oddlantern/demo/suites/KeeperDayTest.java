package org.oddlantern.demo.suites;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.SignInTest.Session;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;

/** A day of a keeper, told step by step. */
public class KeeperDayTest {

  private final Service beeyard;

  KeeperDayTest(Environment env, Session session) {
    beeyard = env.service("beeyard").bearer(session.token());
  }

  @Case("a keeper goes through the yard and takes notes")
  void goesThroughTheYard() {
    step("the hives are looked at");
    beeyard.send(Call.get("/hives")).must(status(200), at("$.items", not(empty())));

    step("the first pages of the book are taken along");
    var book = beeyard.send(Call.get("/inspections").query("limit", 3)).must(status(200));
    keep("inspections.json", "application/json", book.text().getBytes(UTF_8));

    step("the latest photo of a comb is looked at");
    beeyard
        .send(Call.get("/hives/{id}/photos/latest", 1))
        .must(status(200), contentType("image/png"));
  }
}
