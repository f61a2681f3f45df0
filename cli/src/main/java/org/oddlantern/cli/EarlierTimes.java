package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.Planned;

/** How long cases took in the run that a new journal is about to replace. */
final class EarlierTimes {

  private EarlierTimes() {}

  /** Microseconds by the full names of the planned cases; empty if there was no run that tells. */
  static Map<String, Long> in(Path journal, Plan plan) {
    Map<String, Long> micros = new HashMap<>();
    if (!Files.isRegularFile(journal)) {
      return micros;
    }
    try {
      new Journal(journal).outcomes(one -> {
        if (one.hasRun()) {
          micros.put(one.id(), one.tookMicros());
        }
      });
      micros.keySet().retainAll(plan.nodes().stream().map(Planned::name).toList());
      return micros;
    } catch (IOException e) {
      return Map.of(); // it only helps to guess how long the run will take
    }
  }
}
