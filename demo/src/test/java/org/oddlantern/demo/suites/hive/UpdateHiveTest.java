package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.suites.hive.CreateHiveTest.NewHive;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;

/** A hive that another suite made is moved. */
public class UpdateHiveTest {

  record Moved(String plot) {}

  @Case("the first hive is carried to the orchard")
  Moved carry(@Changes NewHive hive, Environment env) {
    hive.beeyard(env)
        .send(Call.patch("/hives/{id}", hive.id()).json(Map.of("plot", "orchard")))
        .must(status(200), at("$.plot", "orchard"));
    return new Moved("orchard");
  }

  @Case("the hive stands where it was carried")
  void stands(NewHive hive, Moved moved, Environment env) {
    hive.beeyard(env)
        .send(Call.get("/hives/{id}", hive.id()))
        .must(status(200), at("$.plot", moved.plot()));
  }
}
