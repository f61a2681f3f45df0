package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.internal.HistorySettings;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.reports.Comparison;
import org.oddlantern.internal.reports.KeptRuns;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.RunHistory;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.reports.html.ReportScope;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** What reports tell, for every command that makes some. */
final class ReportOptions {

  @Option(
      names = "--pages",
      paramLabel = "WHICH",
      defaultValue = "all",
      description =
          "What the pages show: counts, failures (those in full, the others by title), or all (default).")
  private String pages = "all";

  @Option(
      names = "--compared-with",
      paramLabel = "JOURNAL",
      description = "Show what is different from the run of this journal.")
  private @Nullable Path before;

  @Option(
      names = "--history",
      paramLabel = "FOLDER",
      description =
          "Keep a short journal of each run in this folder, and show what was unstable or grew slower (default: 'history' of the settings).")
  private @Nullable Path history;

  @Option(
      names = "--keep-runs",
      paramLabel = "N",
      description =
          "How many runs the history keeps, like 50, or for how long, like 90d (default: 60).")
  private @Nullable String keep;

  @Option(
      names = "--har",
      description = "Write all exchanges as an HTTP archive, too, for developer tools of browsers.")
  private boolean har;

  private @Nullable RunData earlier;

  @Option(
      names = "--har-of",
      paramLabel = "CASE",
      description = "The same of one case: Class#method, or a title with * for any text.")
  private @Nullable String harOf;

  /** Whether an archive of the exchanges is asked for. */
  boolean har() {
    return har || harOf != null;
  }

  /** Whether the exchanges of a case belong into it. */
  boolean isInHar(CaseRecord one) {
    return isInHar(one.id(), one.title());
  }

  /** Refuses to make an archive of a case that is none of these, before anything is sent. */
  void checkHar(Stream<CaseDefinition> cases) {
    if (harOf != null && cases.noneMatch(one -> isInHar(one.id().toString(), one.title()))) {
      throw new Misuse("--har-of names " + harOf + ", and no case that is to run is called so");
    }
  }

  private boolean isInHar(String id, String title) {
    return harOf == null || new NamedCase(harOf).fits(id, title);
  }

  /** What a report of a run tells; the run is added to the history first. */
  ReportScope scope(RunData run, Path journal) throws IOException {
    return new ReportScope(whichPages(), comparison(run), history(run, journal));
  }

  /**
   * Refuses what cannot be followed, before anything is sent, and reads the earlier run, whose journal may
   * be about to be replaced.
   */
  void check() {
    whichPages();
    if (before != null) {
      earlier = earlier(RunFolder.journalOf(before));
    }
    if (keep != null && !HistorySettings.KEEP.matcher(keep).matches()) {
      throw new Misuse(
          "--keep-runs takes a number of runs, like 50, or of days, like 90d, not " + keep);
    }
  }

  /** What the settings say holds where the command line says nothing. */
  void check(HistorySettings settings) {
    history = history == null ? settings.folder() : history;
    keep = keep == null ? settings.keep() : keep;
    check();
  }

  private static RunData earlier(Path journal) {
    if (!Files.isRegularFile(journal)) {
      throw new Misuse("there is no journal " + journal + " to compare with");
    }
    try {
      return RunData.of(new Journal(journal));
    } catch (IOException e) {
      throw new Misuse("the journal of --compared-with cannot be read: " + e.getMessage());
    }
  }

  private PageDetail whichPages() {
    try {
      return PageDetail.valueOf(pages.toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException e) {
      throw new Misuse("--pages takes counts, failures or all, not " + pages);
    }
  }

  private @Nullable Comparison comparison(RunData run) {
    return earlier == null ? null : Comparison.of(earlier, run);
  }

  private @Nullable RunHistory history(RunData run, Path journal) throws IOException {
    if (history == null) {
      return null;
    }
    return new KeptRuns(history, keep == null ? HistorySettings.STANDARD.keep() : keep)
        .with(run, new Journal(journal), List.of());
  }
}
