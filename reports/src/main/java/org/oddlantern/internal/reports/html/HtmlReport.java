package org.oddlantern.internal.reports.html;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.RunHistory;
import org.oddlantern.shaded.gg.jte.ContentType;
import org.oddlantern.shaded.gg.jte.TemplateEngine;

/**
 * Writes the report as a folder: {@code index.html}, a page for each suite, maybe one of earlier runs, one
 * stylesheet, one script. It is whole without the script, has no inline style, and escapes everything from
 * outside.
 */
public final class HtmlReport {

  private static final String STYLE = "ledger.css";
  private static final String SCRIPT = "ledger.js";

  private static final String TEMPLATES = "org.oddlantern.internal.reports.templates";

  /** From here on it pays to write pages side by side. */
  private static final int MANY = 500;

  private final TemplateEngine templates = TemplateEngine.createPrecompiled(
      null, ContentType.Html, HtmlReport.class.getClassLoader(), TEMPLATES);
  private final Path folder;

  private final Queue<IOException> unmade = new ConcurrentLinkedQueue<>();

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
    try (DirectoryStream<Path> old = Files.newDirectoryStream(
        folder, "{index,history,promises,blind-spots,description,suite-*}.html")) {
      for (Path page : old) {
        Files.delete(page);
      }
    }
    Files.deleteIfExists(folder.resolve("cases.js"));
    copy(STYLE);
    copy(SCRIPT);
    Index index = new Index(run, bodies, scope);
    List<SuitePage> suites = scope.pages() == PageDetail.COUNTS ? List.of() : index.pages();
    List<Page> pages = new ArrayList<>();
    suites.forEach(one -> pages.add(suite(one, run.started().name())));
    pages.addAll(ofWholeRun(run, index, scope));
    boolean many = run.cases().size() >= MANY || suites.stream().anyMatch(SuitePage::isPart);
    (many ? pages.parallelStream() : pages.stream()).forEach(this::write);
    tellWhatIsMissing(bodies);
  }

  private Page suite(SuitePage page, String run) {
    return new Page(
        page.file(), () -> page(page.file(), "suite.jte", Map.of("page", page, "run", run)));
  }

  /** Pages about more than one suite; some are there only where somebody asked for them. */
  private List<Page> ofWholeRun(RunData run, Index index, ReportScope scope) {
    List<Page> pages = new ArrayList<>();
    RunHistory history = scope.history();
    if (history != null) {
      pages.add(new Page("history.html", () -> {
        HistoryView view = HistoryView.of(history, index::address);
        page(
            "history.html",
            "history.jte",
            Map.of("page", view, "name", run.started().name()));
      }));
    }
    pages.add(onePage("promises", index::promises));
    pages.add(onePage("blind-spots", index::blindSpots));
    pages.add(onePage("description", index::description));
    pages.add(onePage("index", index::view));
    if (index.isLong() && scope.pages() != PageDetail.COUNTS) {
      pages.add(new Page(
          "cases.js", () -> FoundCases.write(folder.resolve("cases.js"), run, index::address)));
    }
    return pages;
  }

  /** A page that is not written if there is nothing to tell. */
  private Page onePage(String name, Supplier<@Nullable Object> view) {
    String file = name + ".html";
    return new Page(file, () -> {
      Object told = view.get();
      if (told != null) {
        page(file, name + ".jte", Map.of("page", told));
      }
    });
  }

  private void tellWhatIsMissing(Bodies bodies) throws IOException {
    IOException first = unmade.peek();
    if (first != null) {
      throw new IOException(first.getMessage() + "; the other pages are whole", first);
    }
    Throwable body = bodies.unshown().peek();
    if (body != null) {
      int count = bodies.unshown().size();
      throw new IOException(
          (count == 1 ? "a body" : count + " bodies") + " could not be shown: " + body.getMessage()
              + "; the rest of the report is whole",
          body);
    }
  }

  /** One that cannot be made keeps no other from being written. */
  private void write(Page page) {
    try {
      page.work().write();
    } catch (IOException e) {
      throw new UncheckedIOException(e.getMessage(), e);
    } catch (RuntimeException | StackOverflowError e) {
      unmade.add(new IOException("the page " + page.file() + " could not be made: " + e, e));
      if (page.file().endsWith(".html")) {
        unmade(page.file());
      }
    }
  }

  /** A page in the stead of one that could not be made, so that links lead somewhere. */
  private void unmade(String name) {
    String text =
        "<!DOCTYPE html><html lang=\"en\"><meta charset=\"utf-8\"><title>Odd Lantern</title>"
            + "<link rel=\"stylesheet\" href=\"ledger.css\"><p class=\"warning\">This page could not be shown."
            + " The journal of the run has its content.</p></html>";
    try {
      Files.writeString(folder.resolve(name), text);
    } catch (IOException e) {
      unmade.add(e);
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
    try (PageOutput output = new PageOutput(Files.newOutputStream(folder.resolve(name)))) {
      templates.render(template, values, output);
    } catch (PageOutput.Unwritable e) {
      throw e.getCause();
    }
  }

  /**
   * A page yet to be written.
   *
   * @param file its name in the folder
   * @param work writes it
   */
  private record Page(String file, Work work) {

    /** Writes something. */
    private interface Work {
      void write() throws IOException;
    }
  }
}
