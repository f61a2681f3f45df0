package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.hive.CreateHiveTest.NewHive;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.UsesUp;

/** A hive that another suite made is given up. */
public class DeleteHiveTest {

  record Gone(int id) {}

  @Case("the first hive is given up")
  Gone giveUp(@UsesUp NewHive hive, Environment env) {
    hive.beeyard(env).send(Call.delete("/hives/{id}", hive.id())).must(status(204));
    return new Gone(hive.id());
  }

  @Case("a hive that was given up is not found")
  void isGone(Gone gone, OwnKeeper somebody, Environment env) {
    env.service("beeyard")
        .bearer(somebody.token())
        .send(Call.get("/hives/{id}", gone.id()))
        .must(status(404));
  }
}
