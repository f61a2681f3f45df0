package org.oddlantern.junit.sample;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Key;
import org.oddlantern.suite.Case;

/** Makes a hive that other suites take. */
public class MadeHives {

  @Key
  public record HiveId(int value) {}

  @Case("a hive is registered")
  HiveId register(Beeyard yard) {
    Service service = yard.service();
    return service
        .send(Call.post("/hives")
            .json("{\"label\":\"Foxglove\"}")
            .undoneBy(reply -> Call.delete("/hives/{id}", reply.valueAt("$.id", HiveId.class))))
        .must(status(201))
        .valueAt("$.id", HiveId.class);
  }
}
