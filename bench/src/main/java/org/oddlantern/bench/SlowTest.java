package org.oddlantern.bench;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import java.util.stream.IntStream;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;

/** As many cases as are asked for, each with one call to a service that takes its time. */
public final class SlowTest {

  record Hive(int number) {}

  @Samples
  static List<Hive> hives() {
    return IntStream.range(0, Workload.exchanges()).mapToObj(Hive::new).toList();
  }

  @Case("hive {number} is there")
  void isThere(Hive hive, Environment env) {
    env.service("hives")
        .send(Call.get("/hives/{id}", hive.number()))
        .must(status(200), at("$.id", hive.number()));
  }
}
