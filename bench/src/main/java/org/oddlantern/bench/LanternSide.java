package org.oddlantern.bench;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;

/** The work by this library, with recording and journal on. */
final class LanternSide {

  private LanternSide() {}

  /**
   * Starts here.
   *
   * @param arguments the journal to write
   * @throws Exception if the work cannot be done
   */
  public static void main(String[] arguments) throws Exception {
    ClassLoader loader = LanternSide.class.getClassLoader();
    Path here = Path.of(
        LanternSide.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    Settings settings =
        SettingsFile.onClassPath(loader).movedTo(Map.of("hives", Workload.address()));
    RunOrder order = new RunOrder(
        "bench",
        new Planner(loader, List.of(new Place(here))).plan(new Selection(List.of("ExchangesTest"))),
        settings,
        settings.environment(null),
        Map.of(),
        loader,
        "seed",
        1);
    try (JournalWriter journal = new JournalWriter(Path.of(arguments[0]))) {
      RunResult result = new Runner(order, Clock.systemUTC()).run(List.of(journal));
      if (!result.isGreen()) {
        throw new IllegalStateException("the work was not done: " + result);
      }
    }
    Cost.print();
  }
}
