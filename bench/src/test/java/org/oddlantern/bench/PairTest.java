package org.oddlantern.bench;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Both sides still do their work; how fast is not judged here. */
class PairTest {

  @Test
  void bothSidesDoTheWork() throws Exception {
    String told = Pair.run(1, 20, List.of());
    assertTrue(
        told.matches(
            "(?s)20 exchanges, 1 pairs, JDK \\d+\\Rwall   .* by hand\\)\\Rcpu    .* by hand\\)"),
        told);
  }
}
