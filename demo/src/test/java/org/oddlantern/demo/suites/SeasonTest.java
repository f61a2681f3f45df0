package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Against;
import org.oddlantern.suite.Case;

/** Pinned to an environment in which nothing is ever changed. */
@Against("visitors")
public class SeasonTest {

  @Case("visitors see that the beeyard is there")
  void visited(Environment env) {
    env.service("beeyard")
        .send(Call.get("/status"))
        .must(status(200), at("$.hives", wholeNumber()));
  }
}
