package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.hive.CreateHiveTest.NewHive;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;

/** A hive that another suite made is read. */
public class ReadHiveTest {

  @Case("the first hive can be read back")
  void readBack(NewHive hive, Environment env) {
    hive.beeyard(env)
        .send(Call.get("/hives/{id}", hive.id()))
        .must(status(200), at("$.plot", "north slope"));
  }

  @Case("a keeper of one's own keeps no hive of others")
  void ownHivesOnly(NewHive hive, OwnKeeper other, Environment env) {
    env.service("beeyard")
        .bearer(other.token())
        .send(Call.delete("/hives/{id}", hive.id()))
        .must(status(403));
  }
}
