package org.oddlantern.reports.html;

import gg.jte.ContentType;
import gg.jte.TemplateEngine;
import gg.jte.TemplateOutput;
import gg.jte.output.WriterOutput;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Stream;
import org.oddlantern.reports.Pages;
import org.oddlantern.reports.RunData;
import org.oddlantern.reports.RunHistory;
import org.oddlantern.run.Journal;

/**
 * Writes the report as a folder: {@code index.html}, a page for each suite, maybe one of earlier runs, one
 * stylesheet, one script. It is whole without the script, has no inline style, and escapes everything from
 * outside.
 */
public final class HtmlReport {

  private static final String STYLE = "ledger.css";
  private static final String SCRIPT = "ledger.js";

  /** From here on it pays to write pages side by side. */
  private static final int MANY = 500;

  private final TemplateEngine templates = TemplateEngine.createPrecompiled(ContentType.Html);
  private final Path folder;

  private HtmlReport(Path folder) {
    this.folder = folder;
  }

  /**
   * Writes the report of every case; the pages of an earlier one are removed.
   *
   * @param run the run
   * @param journal its journal, for bodies that lie beside it
   * @param folder where the report goes
   * @throws IOException if it cannot be written
   */
  public static void write(RunData run, Journal journal, Path folder) throws IOException {
    write(run, journal, folder, ReportScope.STANDARD);
  }

  /**
   * Writes the report; the pages of an earlier one are removed.
   *
   * @param run the run
   * @param journal its journal, for bodies that lie beside it
   * @param folder where the report goes
   * @param scope how much it tells
   * @throws IOException if it cannot be written
   */
  public static void write(RunData run, Journal journal, Path folder, ReportScope scope)
      throws IOException {
    try {
      new HtmlReport(folder).write(run, new Bodies(journal, folder), scope);
    } catch (UncheckedIOException e) {
      throw new IOException(e.getMessage(), e);
    }
  }

  private void write(RunData run, Bodies bodies, ReportScope scope) throws IOException {
    Files.createDirectories(folder);
    try (DirectoryStream<Path> old =
        Files.newDirectoryStream(folder, "{index,history,suite-*}.html")) {
      for (Path page : old) {
        Files.delete(page);
      }
    }
    copy(STYLE);
    copy(SCRIPT);
    Index index = new Index(run, bodies, scope);
    if (scope.pages() != Pages.COUNTS) {
      Stream<SuiteView> suites =
          index.suites().stream().filter(suite -> !suite.page().isEmpty());
      (run.cases().size() < MANY ? suites : suites.parallel())
          .forEach(suite -> suite(suite, run.started().name()));
    }
    RunHistory history = scope.history();
    if (history != null) {
      page(
          "history.html",
          "history.jte",
          Map.of(
              "page",
              HistoryView.of(history, index::address),
              "name",
              run.started().name()));
    }
    page("index.html", "index.jte", Map.of("page", index.view()));
  }

  private void suite(SuiteView suite, String run) {
    try {
      page(suite.page(), "suite.jte", Map.of("suite", suite, "run", run));
    } catch (IOException e) {
      throw new UncheckedIOException(e.getMessage(), e);
    }
  }

  private void copy(String name) throws IOException {
    try (InputStream resource = HtmlReport.class.getResourceAsStream(name)) {
      if (resource == null) {
        throw new IOException(name + " is missing from this build");
      }
      Files.write(folder.resolve(name), resource.readAllBytes());
    }
  }

  private void page(String name, String template, Map<String, Object> values) throws IOException {
    try (Writer writer = Files.newBufferedWriter(folder.resolve(name), StandardCharsets.UTF_8)) {
      TemplateOutput output = new WriterOutput(writer);
      templates.render(template, values, output);
    }
  }
}
