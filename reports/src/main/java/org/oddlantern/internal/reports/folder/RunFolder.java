package org.oddlantern.internal.reports.folder;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.reports.KeptRuns;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.RunHistory;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.html.ReportScope;
import org.oddlantern.internal.reports.summary.BlindSpotsJson;
import org.oddlantern.internal.reports.summary.CountsReport;
import org.oddlantern.internal.reports.summary.DescriptionJson;
import org.oddlantern.internal.reports.summary.MarkdownSummary;

/**
 * The folder that takes the journal of a run and what is made of it.
 *
 * @param path the folder
 */
public record RunFolder(Path path) {

  /**
   * The folder that is taken where none is named, by the build of the working directory.
   *
   * @return {@code target/odd-lantern} in a Maven project, {@code build/odd-lantern} in a Gradle project,
   *     else {@code odd-lantern-out}
   */
  public static RunFolder standard() {
    if (Files.isRegularFile(Path.of("pom.xml"))) {
      return new RunFolder(Path.of("target", "odd-lantern"));
    }
    boolean gradle = Files.isRegularFile(Path.of("build.gradle"))
        || Files.isRegularFile(Path.of("build.gradle.kts"));
    return new RunFolder(gradle ? Path.of("build", "odd-lantern") : Path.of("odd-lantern-out"));
  }

  /**
   * The journal that somebody names.
   *
   * @param named a journal, or the folder that holds it
   * @return the file, whether it is there or not
   */
  public static Path journalOf(Path named) {
    return Files.isDirectory(named) ? new RunFolder(named).journal() : named;
  }

  /**
   * The journal of the run.
   *
   * @return the file
   */
  public Path journal() {
    return path.resolve("journal.jsonl");
  }

  /**
   * The folder with a JUnit XML file for each suite.
   *
   * @return the folder
   */
  public Path junitXml() {
    return path.resolve("junit-xml");
  }

  /**
   * The folder with the pages.
   *
   * @return the folder
   */
  public Path report() {
    return path.resolve("report");
  }

  /**
   * How many cases ended how, as JSON.
   *
   * @return the file
   */
  public Path counts() {
    return path.resolve("counts.json");
  }

  /**
   * What came of the run, as a short Markdown text.
   *
   * @return the file
   */
  public Path summary() {
    return path.resolve("summary.md");
  }

  /**
   * What the cases of the run would notice, as JSON.
   *
   * @return the file
   */
  public Path blindSpots() {
    return path.resolve("blind-spots.json");
  }

  /**
   * What the run has seen of the descriptions of its services, as JSON.
   *
   * @return the file
   */
  public Path description() {
    return path.resolve("description.json");
  }

  /**
   * The exchanges as an HTTP archive.
   *
   * @return the file
   */
  public Path har() {
    return path.resolve("exchanges.har");
  }

  /**
   * Writes what a build does not write itself: pages, counts and summary of the journal in this folder.
   *
   * @param history where earlier runs are kept; null if none are
   * @param parts the runs that the journal was joined of
   * @throws IOException if the journal cannot be read or something not be written
   */
  public void writeReports(@Nullable KeptRuns history, Collection<String> parts)
      throws IOException {
    Journal journal = new Journal(journal());
    RunData run = RunData.of(journal);
    RunHistory earlier = history == null ? null : history.with(run, journal, parts);
    HtmlReport.write(run, journal, report(), new ReportScope(PageDetail.ALL, null, earlier));
    CountsReport.write(run, null, counts());
    MarkdownSummary.write(run, null, summary());
    BlindSpotsJson.write(run, blindSpots());
    DescriptionJson.write(run, description());
  }
}
