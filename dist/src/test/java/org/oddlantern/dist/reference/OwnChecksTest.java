package org.oddlantern.dist.reference;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;

/** A check and a shape of one's own in use, each of which fails. */
final class OwnChecksTest {

  @Case("own")
  void own(Environment env) {
    env.service("beeyard")
        .send(Call.get("/hive.json"))
        .must(
            new Cacheable(),
            at("$.strength", new Tenths()),
            atEach("$.frames[*].honey", new Tenths()));
  }
}
