package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.reports.RunData;
import org.oddlantern.reports.console.ConsoleReport;
import org.oddlantern.reports.html.HtmlReport;
import org.oddlantern.reports.junitxml.JUnitXmlReport;
import org.oddlantern.run.Journal;
import org.oddlantern.run.JournalWriter;
import org.oddlantern.run.RunOrder;
import org.oddlantern.run.RunResult;
import org.oddlantern.run.Runner;

/** Runs an order: console and journal while it goes on, the other reports from the journal. */
final class Execution {

  private final Terminal terminal;
  private final Path out;
  private final Strictness strictness;

  Execution(Terminal terminal, Path out, Strictness strictness) {
    this.terminal = terminal;
    this.out = out;
    this.strictness = strictness;
  }

  /** The exit status of the run. */
  int run(RunOrder order) {
    Path journal = out.resolve("journal.jsonl");
    RunResult result;
    try (JournalWriter writer = begun(journal);
        CapturedPrinting printing = CapturedPrinting.begun()) {
      result = new Runner(order, Clock.systemUTC())
          .run(List.of(new ConsoleReport(terminal.out(), terminal.style()), writer, strictness));
    } catch (IOException e) {
      throw new Misuse("the journal " + journal + " could not be closed: " + e.getMessage());
    }
    List<String> problems = new ArrayList<>(result.problems());
    problems.addAll(report(journal));
    problems.forEach(problem -> terminal.out().println("problem   " + problem));
    List<String> found = strictness.found();
    found.forEach(one -> terminal.out().println("strict    " + one));
    if (!result.isGreen() || !problems.isEmpty() || !found.isEmpty()) {
      return 1;
    }
    if (!result.ran()) {
      terminal.out().println("nothing ran: every case is skipped or pending");
    }
    return result.ran() ? 0 : 3;
  }

  private static JournalWriter begun(Path journal) {
    try {
      return new JournalWriter(journal);
    } catch (IOException e) {
      throw new Misuse("the journal " + journal + " cannot be written (" + e
          + "); choose another folder with --out");
    }
  }

  private List<String> report(Path journal) {
    terminal.out().println("journal   " + journal);
    List<String> problems = new ArrayList<>();
    try {
      RunData run = RunData.of(new Journal(journal));
      write(
          "junit xml",
          out.resolve("junit-xml"),
          problems,
          folder -> JUnitXmlReport.write(run, folder));
      write(
          "report",
          out.resolve("report"),
          problems,
          folder -> HtmlReport.write(run, new Journal(journal), folder));
    } catch (IOException e) {
      problems.add("the journal could not be read back: " + e.getMessage());
    }
    return problems;
  }

  private void write(String name, Path folder, List<String> problems, Report report) {
    try {
      report.write(folder);
      String place =
          name.equals("report") ? folder.resolve("index.html").toString() : folder.toString();
      terminal.out().println("%-9s %s".formatted(name, place));
    } catch (IOException e) {
      problems.add("the " + name + " could not be written to " + folder + ": " + e);
    }
  }

  /** Something that is written into a folder. */
  private interface Report {
    void write(Path folder) throws IOException;
  }
}
