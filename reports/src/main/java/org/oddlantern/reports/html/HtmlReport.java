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
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.oddlantern.reports.Amounts;
import org.oddlantern.reports.RunData;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.Journal;
import org.oddlantern.run.Outcome;

/**
 * Writes the report as a folder: {@code index.html}, a page for each suite, one stylesheet. It needs no
 * script and no inline style; everything from outside is escaped.
 */
public final class HtmlReport {

  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern(
          "d MMMM yyyy, HH:mm:ss 'UTC'", Locale.ENGLISH)
      .withZone(ZoneOffset.UTC);
  private static final String STYLE = "ledger.css";

  private final TemplateEngine templates = TemplateEngine.createPrecompiled(ContentType.Html);
  private final RunData run;
  private final Bodies bodies;
  private final Path folder;

  private HtmlReport(RunData run, Journal journal, Path folder) {
    this.run = run;
    this.bodies = new Bodies(journal);
    this.folder = folder;
  }

  /**
   * Writes the report; the pages of an earlier one are removed.
   *
   * @param run the run
   * @param journal its journal, for bodies that lie beside it
   * @param folder where the report goes
   * @throws IOException if it cannot be written
   */
  public static void write(RunData run, Journal journal, Path folder) throws IOException {
    try {
      new HtmlReport(run, journal, folder).write();
    } catch (UncheckedIOException e) {
      throw new IOException(e.getMessage(), e);
    }
  }

  private void write() throws IOException {
    Files.createDirectories(folder);
    try (DirectoryStream<Path> old = Files.newDirectoryStream(folder, "{index,suite-*}.html")) {
      for (Path page : old) {
        Files.delete(page);
      }
    }
    try (InputStream style = HtmlReport.class.getResourceAsStream(STYLE)) {
      if (style == null) {
        throw new IOException("the stylesheet is missing from this build");
      }
      Files.write(folder.resolve(STYLE), style.readAllBytes());
    }
    List<SuiteView> suites = suites();
    for (SuiteView suite : suites) {
      page(
          suite.page(), "suite.jte", Map.of("suite", suite, "run", run.started().name()));
    }
    page("index.html", "index.jte", Map.of("page", index(suites)));
  }

  private void page(String name, String template, Map<String, Object> values) throws IOException {
    try (Writer writer = Files.newBufferedWriter(folder.resolve(name), StandardCharsets.UTF_8)) {
      TemplateOutput output = new WriterOutput(writer);
      templates.render(template, values, output);
    }
  }

  private List<SuiteView> suites() {
    List<SuiteView> suites = new ArrayList<>();
    for (List<CaseRecord> cases : entries().values()) {
      String name = cases.get(0).suite();
      String page =
          "suite-" + (suites.size() + 1) + "-" + name.replaceAll("[^A-Za-z0-9]+", "-") + ".html";
      suites.add(new SuiteView(
          name,
          page,
          summary(cases),
          cases.stream().allMatch(one -> one.outcome().isGreen()),
          new Views<>(cases, one -> CaseView.of(one, page, run, bodies))));
    }
    return suites;
  }

  /** The cases by suite, with what was supplied for all. */
  private Map<String, List<CaseRecord>> entries() {
    Map<String, List<CaseRecord>> suites = run.bySuite();
    for (CaseRecord supplied : run.shared()) {
      suites
          .computeIfAbsent(supplied.id().replaceAll("#.*", ""), key -> new ArrayList<>())
          .add(supplied);
    }
    suites.values().forEach(all -> all.sort(Comparator.comparingInt(CaseRecord::order)));
    return suites;
  }

  private static String summary(List<CaseRecord> entries) {
    List<CaseRecord> cases = entries.stream().filter(CaseRecord::counts).toList();
    if (cases.isEmpty()) {
      return "what was supplied for all";
    }
    long passed = cases.stream().filter(one -> one.outcome() == Outcome.PASSED).count();
    return passed == cases.size()
        ? Amounts.of(passed, "case")
        : passed + " of " + Amounts.of(cases.size(), "case") + " passed";
  }

  private IndexView index(List<SuiteView> suites) {
    Map<String, String> pages = new HashMap<>();
    suites.forEach(suite -> pages.put(suite.name(), suite.page()));
    List<CaseRecord> broken = run.notPassed();
    Function<CaseRecord, CaseView> view =
        one -> CaseView.of(one, pages.getOrDefault(one.suite(), ""), run, bodies);
    return new IndexView(
        run.started().name(),
        run.verdict(),
        broken.isEmpty() && run.leftBehind().isEmpty() && run.ended() != null,
        facts(),
        run.started().warnings(),
        new Views<>(broken.stream().filter(CaseRecord::hasRun).toList(), view),
        new Views<>(broken.stream().filter(one -> !one.hasRun()).toList(), view),
        run.leftBehind(),
        suites);
  }

  private List<IndexView.Fact> facts() {
    List<IndexView.Fact> facts = new ArrayList<>(List.of(
        new IndexView.Fact("environment", run.started().environment()),
        new IndexView.Fact("begun", WHEN.format(run.started().startedAt())),
        new IndexView.Fact("took", Amounts.time(run.took())),
        new IndexView.Fact("run", run.started().run()),
        new IndexView.Fact("seed", run.started().seed())));
    if (run.started().lanes() > 1) {
      facts.add(new IndexView.Fact("lanes", String.valueOf(run.started().lanes())));
    }
    return facts;
  }
}
