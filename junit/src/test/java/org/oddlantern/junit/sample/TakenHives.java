package org.oddlantern.junit.sample;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import org.oddlantern.http.Call;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.Pending;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Skipped;

/** Takes a hive that another suite makes; of every outcome one. */
public class TakenHives {

  record Wrong(String kind) {}

  @Samples
  static List<Wrong> wrong() {
    return List.of(new Wrong("no such"), new Wrong("gone"));
  }

  @Case("the hive can be read back")
  void readBack(MadeHives.HiveId id, Beeyard yard) {
    System.out.println("reading hive");
    yard.service().send(Call.get("/hives/{id}", id)).must(status(200), at("$.label", "Foxglove"));
  }

  @Case("the hive has another label")
  void otherLabel(MadeHives.HiveId id, Beeyard yard) {
    yard.service()
        .send(Call.get("/hives/{id}", id))
        .must(at("$.label", "Heather"), at("$.kind", "stack"));
  }

  @Case("a {kind} hive is not found")
  void notFound(Wrong wrong, Beeyard yard) {
    yard.service().send(Call.get("/hives/{id}", wrong.kind())).must(status(404));
  }

  @Skipped(why = "the scales are being repaired")
  @Case("a hive is weighed")
  void weighed() {}

  @Pending
  @Case("a hive is sold")
  void sold() {}

  @KnownFault("BEE-17")
  @Case("labels are unique")
  void unique(Beeyard yard) {
    yard.service().send(Call.get("/hives/1")).must(status(200));
  }

  public static class Broken {
    record Weight(int kilos) {}

    @Case("a hive is dropped")
    Weight dropped() {
      throw new IllegalStateException("the hive fell");
    }

    @Case("a dropped hive is picked up")
    void pickedUp(Weight weight) {}
  }
}
