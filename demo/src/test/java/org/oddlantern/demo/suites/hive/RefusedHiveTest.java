package org.oddlantern.demo.suites.hive;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.SampleFile;
import org.oddlantern.suite.Samples;

/** What is wrong with a hive, one sample after the other. */
public class RefusedHiveTest {

  record Refused(
      String what, String label, String kind, Integer queenYear, String plot, String problem) {}

  @Samples
  static List<Refused> refused() {
    return SampleFile.read("samples/refused-hives.csv", Refused.class);
  }

  @Case("a hive with {what} is refused: {problem}")
  void isRefused(Refused sample, OwnKeeper keeper, Environment env) {
    var hive = Payload.of(sample).without("$.what").without("$.problem");
    var reply = env.service("beeyard")
        .bearer(keeper.token())
        .send(Call.post("/hives").json(hive))
        .must(status(422), at("$.problems", size(1)));
    String field = reply.valueAt("$.problems[0].field", String.class);
    reply.must(at("$.problems[0].problem", sample.problem().replace(field + " ", "")));
  }
}
