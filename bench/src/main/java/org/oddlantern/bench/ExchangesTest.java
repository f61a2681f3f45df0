package org.oddlantern.bench;

import static org.oddlantern.check.Checks.*;

import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;

/** The work as a suite: ten cases that share it evenly. */
public final class ExchangesTest {

  private final Service hives;

  ExchangesTest(Environment env) {
    hives = env.service("hives");
  }

  @Case
  void first() {
    share(0);
  }

  @Case
  void second() {
    share(1);
  }

  @Case
  void third() {
    share(2);
  }

  @Case
  void fourth() {
    share(3);
  }

  @Case
  void fifth() {
    share(4);
  }

  @Case
  void sixth() {
    share(5);
  }

  @Case
  void seventh() {
    share(6);
  }

  @Case
  void eighth() {
    share(7);
  }

  @Case
  void ninth() {
    share(8);
  }

  @Case
  void tenth() {
    share(9);
  }

  private void share(int number) {
    int size = Workload.exchanges() / Workload.CASES;
    for (int id = number * size; id < (number + 1) * size; id++) {
      hives
          .send(Call.get("/hives/{id}", id))
          .must(status(200), at("$.id", id), at("$.label", "Foxglove"));
    }
  }
}
