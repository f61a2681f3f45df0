package org.oddlantern.internal.reports.console;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.Keeping;
import org.oddlantern.internal.reports.KeptPromises;

/** Keeps how cases went, as far as there are promises to be kept by them. */
final class PromisesHeard {

  private final List<RunEvent.Promised> told = new ArrayList<>();
  private final Map<String, Keeping> cases = new HashMap<>();

  void hear(RunEvent event) {
    if (event instanceof RunEvent.Promised promised) {
      told.add(promised);
    } else if (event instanceof RunEvent.CaseFinished finished && !told.isEmpty()) {
      cases.put(finished.record().id(), Keeping.of(finished.record()));
    }
  }

  /** What became of the promises; empty if there are none. */
  String sentence() {
    return told.isEmpty() ? "" : new KeptPromises(told, cases::get).sentence();
  }
}
