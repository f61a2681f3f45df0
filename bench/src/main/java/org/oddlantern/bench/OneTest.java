package org.oddlantern.bench;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;

/** One call as a case. */
public final class OneTest {

  @Case("a hive is there")
  void isThere(Environment env) {
    env.service("hives").send(Call.get("/hives/7")).must(status(200), at("$.id", 7));
  }
}
