package org.oddlantern.bench;

import static org.oddlantern.check.Checks.*;

import java.util.List;
import java.util.stream.IntStream;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;

/** A thousand cases over twenty operations, each of which looks at some of what comes. */
public class ManyOperationsTest {

  record Area(int value) {}

  private final Service hives;

  ManyOperationsTest(Environment environment) {
    hives = environment.service("hives");
  }

  @Samples
  static List<Area> areas() {
    return IntStream.range(0, 1_000).mapToObj(Area::new).toList();
  }

  @Case("operation {value}")
  void asked(Area area) {
    hives
        .send(Call.get("/area-" + area.value() % 20 + "/hives/{id}", 4))
        .must(
            status(200),
            at("$.id", 4),
            at("$.label", "Foxglove"),
            at("$.frames", missing()),
            atEach("$.boxes[*].frames", between(1, 12)),
            at("$.queen.breed", anyText()));
  }
}
