package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.reports.WrittenRun;
import org.oddlantern.internal.reports.console.CapturedPrinting;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.run.Relay;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;

/** Runs an order: console and journal while it goes on, the other reports from the journal. */
final class Execution {

  private static final String CARRIERS = "jdk.virtualThreadScheduler.parallelism";
  private static final int MOST_CARRIERS = 256;

  private final Terminal terminal;
  private final OutFolder out;
  private final Strictness strictness;
  private final Watchfulness watchfulness;
  private final RunOptions options;
  private final @Nullable Duration limit;

  /** Of what the command line asks for. */
  Execution(Terminal terminal, RunOptions options) {
    this(terminal, options, options.out());
  }

  /** Of what the command line asks for, into another folder. */
  Execution(Terminal terminal, RunOptions options, RunFolder folder) {
    this.terminal = terminal;
    this.out = new OutFolder(folder, terminal, options.reports(), OutFolder.Descriptions.NONE);
    this.strictness = options.strictness();
    this.watchfulness = new Watchfulness(options.blindSpots().least());
    this.options = options;
    this.limit = options.limit();
  }

  /** The exit status of the run. */
  int run(RunOrder order) {
    return run(order, true);
  }

  /** The same, leaving a journal only. */
  int withoutReports(RunOrder order) {
    return run(order, false);
  }

  private int run(RunOrder order, boolean reports) {
    if (order.lanes() > Runtime.getRuntime().availableProcessors()
        && System.getProperty(CARRIERS) == null) {
      // a case that computes without end must not take a processor away from all others
      System.setProperty(CARRIERS, String.valueOf(Math.min(order.lanes(), MOST_CARRIERS)));
    }
    options.reports().check(order.settings().history());
    options.reports().checkHar(order.plan().cases().stream().map(PlannedCase::definition));
    options.detail();
    options.longBody();
    options.coveredAtLeast();
    out.prepare();
    Runner runner = new Runner(order, Clock.systemUTC());
    try (StopSignal signal = new StopSignal(terminal, runner);
        RunLimit counting = RunLimit.begun(limit, terminal, runner)) {
      return status(runner, order.plan(), reports);
    }
  }

  private int status(Runner runner, Plan plan, boolean reports) {
    Path journal = out.journal();
    Style style = terminal.style();
    Map<String, Long> earlier = style.live() ? EarlierTimes.in(journal, plan) : Map.of();
    WrittenRun written = new WrittenRun(new Journal(journal));
    JournalWriter writer = begun(journal, options.longBody(), written);
    List<String> problems = new ArrayList<>();
    RunResult result;
    ConsoleReport console = new ConsoleReport(
        terminal.out(), style, options.detail(), earlier, new Journal(journal).folder());
    ConnectionLog connections = terminal.debug() ? connections(journal) : null;
    try (CapturedPrinting printing = CapturedPrinting.begun();
        Relay telling = new Relay(console);
        Relay writing = new Relay(writer)) {
      result = runner.run(List.of(telling, writing, strictness, watchfulness), connections);
      problems.addAll(result.problems());
    } finally {
      closed(connections, problems);
      closed(writer, problems);
    }
    boolean late = hidden(runner, journal, problems);
    problems.forEach(problem -> terminal.out().println("problem   " + problem));
    List<String> unwritten =
        !reports ? List.of() : late ? out.report(journal) : out.report(journal, written);
    unwritten.forEach(problem -> terminal.out().println("problem   " + problem));
    problems.addAll(unwritten);
    if (connections != null) {
      terminal.out().println("debug     " + connections);
    }
    List<String> found = new ArrayList<>(strictness.found());
    found.addAll(watchfulness.found());
    found.addAll(new Covered(options.coveredAtLeast()).found(console.described()));
    found.forEach(one -> terminal.out().println("strict    " + one));
    boolean green = result.isGreen() && problems.isEmpty() && found.isEmpty();
    return status(result, plan, green);
  }

  private int status(RunResult result, Plan plan, boolean green) {
    if (result.stopped()) {
      return StopSignal.STATUS;
    }
    if (!green) {
      return 1;
    }
    if (plan.nodes().isEmpty()) {
      terminal.out().println("this part has no cases: there are fewer chains of cases than parts");
      return 0;
    }
    if (!result.ran()) {
      terminal.out().println("nothing ran: every case is skipped or pending");
    }
    return result.ran() ? 0 : 3;
  }

  /** Whether something had to be hidden that was told before it was a secret. */
  private static boolean hidden(Runner runner, Path journal, List<String> problems) {
    try {
      return Files.exists(journal) && runner.hideLateSecrets(journal);
    } catch (IOException e) {
      problems.add("the journal " + journal
          + " could not be looked through for secrets that became known late: " + e);
      return true;
    }
  }

  private static void closed(@Nullable ConnectionLog connections, List<String> problems) {
    if (connections != null) {
      connections.close();
      Stream.of(connections.problem()).filter(one -> !one.isEmpty()).forEach(problems::add);
    }
  }

  /** A journal that could not go on cannot be closed either; that was told already. */
  private static void closed(JournalWriter writer, List<String> problems) {
    try {
      writer.close();
    } catch (IOException e) {
      if (problems.isEmpty()) {
        problems.add(writer + " could not be closed: " + e.getMessage());
      }
    }
  }

  private static ConnectionLog connections(Path journal) {
    try {
      return ConnectionLog.beside(journal);
    } catch (IOException e) {
      throw new Misuse("the log of connections beside " + journal + " cannot be written (" + e
          + "); choose another folder with --out");
    }
  }

  private static JournalWriter begun(Path journal, int longBody, WrittenRun written) {
    try {
      return new JournalWriter(journal, longBody, written);
    } catch (IOException e) {
      throw new Misuse("the journal " + journal + " cannot be written (" + e
          + "); choose another folder with --out");
    }
  }
}
