package org.oddlantern.bench;

import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.junitxml.JUnitXmlReport;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;

/** A suite run in lanes with console, journal and reports, as the command does it. */
final class SuiteSide {

  static final String WORD = "run-micros ";

  private SuiteSide() {}

  /**
   * Starts here.
   *
   * @param arguments the suite, how many lanes, the folder for journal and reports
   * @throws Exception if the work cannot be done
   */
  public static void main(String[] arguments) throws Exception {
    ClassLoader loader = SuiteSide.class.getClassLoader();
    Path here = Path.of(
        SuiteSide.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    Path out = Path.of(arguments[2]);
    Path file = out.resolve("journal.jsonl");
    Settings settings =
        SettingsFile.onClassPath(loader).movedTo(Map.of("hives", Workload.address()));
    RunOrder order = new RunOrder(
        "bench",
        new Planner(loader, List.of(new Place(here))).plan(new Selection(List.of(arguments[0]))),
        settings,
        settings.environment(null),
        Map.of(),
        loader,
        "seed",
        Integer.parseInt(arguments[1]));
    PrintStream nowhere =
        new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8);
    long start = System.nanoTime();
    try (JournalWriter journal = new JournalWriter(file)) {
      RunResult result = new Runner(order, Clock.systemUTC())
          .run(List.of(new ConsoleReport(nowhere, new Style(false)), journal));
      if (!result.isGreen()) {
        throw new IllegalStateException("the work was not done: " + result);
      }
    }
    System.out.println(WORD + (System.nanoTime() - start) / 1_000);
    RunData run = RunData.of(new Journal(file));
    JUnitXmlReport.write(run, out.resolve("junit-xml"));
    HtmlReport.write(run, new Journal(file), out.resolve("report"));
    System.out.println("all-micros " + (System.nanoTime() - start) / 1_000);
  }
}
