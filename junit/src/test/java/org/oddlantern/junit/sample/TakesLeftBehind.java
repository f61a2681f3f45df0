package org.oddlantern.junit.sample;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;

/** Takes what another suite made, so that the suite has ended when it is to be put back. */
public class TakesLeftBehind {

  @Case("a sealed hive is looked at")
  void looked(LeftBehind.Sealed sealed, Beeyard yard) {
    yard.service().send(Call.get("/hives/{id}", sealed.hive())).must(status(200));
  }
}
