package org.oddlantern.junit.sample;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;

/** Makes what cannot be put back. */
public class LeftBehind {

  public record Sealed(int hive) {}

  @Case("a hive is sealed")
  Sealed made(Beeyard yard) {
    int id = yard.service()
        .send(Call.post("/hives").json("{}").undoneBy(reply -> Call.put("/hives/1")))
        .must(status(201))
        .valueAt("$.id", Integer.class);
    return new Sealed(id);
  }
}
