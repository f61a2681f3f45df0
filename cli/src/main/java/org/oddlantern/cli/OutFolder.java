package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.journal.JoinedJournals;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.reports.Comparison;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.WrittenRun;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.reports.har.HarReport;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.html.ReportScope;
import org.oddlantern.internal.reports.junitxml.JUnitXmlReport;
import org.oddlantern.internal.reports.summary.BlindSpotsJson;
import org.oddlantern.internal.reports.summary.CountsReport;
import org.oddlantern.internal.reports.summary.DescriptionJson;
import org.oddlantern.internal.reports.summary.MarkdownSummary;

/** The folder that takes journal and reports, looked at before a run and told of after it. */
record OutFolder(
    RunFolder folder, Terminal terminal, ReportOptions options, Descriptions descriptions) {

  /** Less than this is as good as full. */
  private static final long LEAST_SPACE = 1 << 20;

  Path journal() {
    return folder.journal();
  }

  /** Finds out before anything is sent whether journal and reports can be written. */
  void prepare() {
    for (Path needed : List.of(folder.path(), folder.junitXml(), folder.report())) {
      try {
        Files.createDirectories(needed);
      } catch (IOException e) {
        throw new Misuse(
            "the folder " + needed + " cannot be made (" + e + "); choose another with --out");
      }
      if (!Files.isWritable(needed)) {
        throw new Misuse("the folder " + needed + " cannot be written; choose another with --out");
      }
    }
    try {
      long space = Files.getFileStore(folder.path()).getUsableSpace();
      if (space < LEAST_SPACE) {
        throw new Misuse(
            "the disk of " + folder.path() + " is full (" + space
                + " bytes left), so the results could not be kept; make room, or choose another folder with --out");
      }
    } catch (IOException e) {
      throw new Misuse("the folder " + folder.path() + " cannot be looked at: " + e);
    }
  }

  /** Joins journals into one, says what came of them together, and writes the reports of it. */
  List<String> join(JoinedJournals joined) throws IOException {
    joined.write(journal());
    terminal.out().println("joined    " + joined.size() + " journals");
    terminal.out().println("together  " + RunData.of(new Journal(journal())).verdict());
    List<String> problems = new ArrayList<>(joined.missing());
    problems.addAll(report(journal()));
    return problems;
  }

  /** Writes the reports of a journal and says where they are; gives what could not be written. */
  List<String> report(Path journal) {
    return report(journal, () -> RunData.of(new Journal(journal), descriptions.named()));
  }

  /** The same of a run that was just written. */
  List<String> report(Path journal, WrittenRun written) {
    return report(journal, written::data);
  }

  private List<String> report(Path journal, Reading reading) {
    if (!Files.exists(journal)) {
      return List.of("there is no journal " + journal + " any more, so no reports could be made");
    }
    terminal.out().println("journal   " + journal);
    try {
      RunData run = reading.run();
      List<String> cut = new ArrayList<>(descriptions.covered().found(run.described()));
      cut.addAll(run.described().lost());
      if (run.ended() == null) {
        cut.add(run.cutOff());
      }
      ReportScope scope = options.scope(run, journal);
      Comparison comparison = scope.comparison();
      if (comparison != null) {
        tell(comparison);
      }
      if (descriptions.isAsked() && !run.described().isEmpty()) {
        terminal.out().println("described " + run.described().sentence());
      }
      Written pages = new Written(
          "report",
          folder.report(),
          place -> HtmlReport.write(run, new Journal(journal), place, scope));
      Thread beside = pages.begun(); // it takes longer than all others together
      List<Written> all = new ArrayList<>(others(run, journal, comparison));
      all.forEach(Written::write);
      beside.join();
      all.add(pages);
      return Stream.concat(all.stream().flatMap(one -> one.told(terminal).stream()), cut.stream())
          .toList();
    } catch (IOException e) {
      return List.of("the reports could not be made: " + e.getMessage());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return List.of("the writing of reports was interrupted");
    }
  }

  private List<Written> others(RunData run, Path journal, @Nullable Comparison comparison) {
    List<Written> others = new ArrayList<>(List.of(
        new Written("junit xml", folder.junitXml(), place -> JUnitXmlReport.write(run, place)),
        new Written("counts", folder.counts(), place -> CountsReport.write(run, comparison, place)),
        new Written(
            "summary", folder.summary(), place -> MarkdownSummary.write(run, comparison, place))));
    others.add(
        new Written("places", folder.blindSpots(), place -> BlindSpotsJson.write(run, place)));
    others.add(
        new Written("described", folder.description(), place -> DescriptionJson.write(run, place)));
    if (options.har()) {
      others.add(new Written(
          "har",
          folder.har(),
          place -> HarReport.write(run, new Journal(journal), place, options::isInHar)));
    }
    return others;
  }

  private void tell(Comparison comparison) {
    if (comparison.isEmpty()) {
      terminal
          .out()
          .println("changed   nothing, compared with run "
              + comparison.before().started().run());
    }
    comparison.lines().forEach(line -> terminal.out().println("changed   " + line));
  }

  /** Brings what is to be told. */
  private interface Reading {
    RunData run() throws IOException;
  }

  /**
   * What a journal is held against.
   *
   * @param named descriptions of which it does not know, by the name of the service
   * @param covered how much of them must be called
   */
  record Descriptions(Map<String, ApiDocument> named, Covered covered) {
    static final Descriptions NONE = new Descriptions(Map.of(), new Covered(-1));

    Descriptions {
      named = Map.copyOf(named);
    }

    boolean isAsked() {
      return !named.isEmpty() || covered.least() >= 0;
    }
  }
}
