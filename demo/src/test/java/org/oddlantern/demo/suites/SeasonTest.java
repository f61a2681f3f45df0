package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.NotSent;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.OnEnvironment;
import org.oddlantern.suite.Unwatched;

/** Pinned to an environment that is read-only: whatever is not a safe method is refused before it is sent. */
@OnEnvironment("visitors")
public class SeasonTest {

  @Case("visitors see that the beeyard is there")
  @Unwatched("$.asked")
  void visited(Environment env) {
    env.service("beeyard")
        .send(Call.get("/status"))
        .must(status(200), at("$.hives", wholeNumber()));
  }

  @Case("visitors can change nothing, since nothing of the kind is sent")
  void refused(Environment env) {
    var beeyard = env.service("beeyard");
    try {
      beeyard.send(Call.delete("/hives/1"));
    } catch (NotSent e) {
      beeyard.send(Call.get("/status")).must(status(200));
      return;
    }
    throw new AssertionError("a read-only environment let a DELETE through");
  }
}
