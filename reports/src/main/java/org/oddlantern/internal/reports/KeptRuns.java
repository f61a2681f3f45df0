package org.oddlantern.internal.reports;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.List;
import java.util.regex.Matcher;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.internal.HistorySettings;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.ShortJournal;

/**
 * A folder with a short journal of each run, of which the oldest are removed.
 *
 * @param folder the folder
 * @param keep how many, like {@code 50}, or for how many days, like {@code 90d}
 */
public record KeptRuns(Path folder, String keep) {

  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("yyyyMMdd-HHmmssSSS").withZone(ZoneOffset.UTC);

  /** Refuses what is neither a number of runs nor of days. */
  public KeptRuns {
    if (!HistorySettings.KEEP.matcher(keep).matches()) {
      throw new IllegalArgumentException(
          "not a number of runs, like 50, or of days, like 90d: " + keep);
    }
  }

  /**
   * As the settings say.
   *
   * @param settings what they say
   * @return the folder; null if they name none
   */
  public static @Nullable KeptRuns of(HistorySettings settings) {
    Path folder = settings.folder();
    return folder == null ? null : new KeptRuns(folder, settings.keep());
  }

  /**
   * Adds a run, and removes what is not to be kept any longer.
   *
   * @param run the run
   * @param journal its journal
   * @param parts the runs that it was joined of, none of which is kept by itself; may be empty
   * @return the runs that are kept
   * @throws IOException if the folder cannot be read or written
   */
  public RunHistory with(RunData run, Journal journal, Collection<String> parts)
      throws IOException {
    Files.createDirectories(folder);
    for (Path old : RunHistory.journals(folder)) {
      if (parts.stream().anyMatch(part -> old.toString().endsWith("-" + plain(part) + ".jsonl"))) {
        Files.delete(old);
      }
    }
    String name =
        WHEN.format(run.started().startedAt()) + "-" + plain(run.started().run());
    new ShortJournal(journal.file()).write(folder.resolve(name + ".jsonl"));
    prune();
    return RunHistory.in(folder);
  }

  /** For a file name; of joined runs the name of the first, however many joined it. */
  private static String plain(String run) {
    return run.replaceAll("\\+.*", "").replaceAll("[^\\w-]", "");
  }

  private void prune() throws IOException {
    Matcher form = HistorySettings.KEEP.matcher(keep);
    if (!form.matches()) {
      return;
    }
    int number = Integer.parseInt(form.group(1));
    List<Path> journals = RunHistory.journals(folder);
    if (form.group(2).isEmpty()) {
      for (Path old : journals.subList(0, Math.max(0, journals.size() - number))) {
        Files.delete(old);
      }
      return;
    }
    Instant oldest = Instant.now().minus(Duration.ofDays(number));
    for (Path each : journals) {
      if (each.getFileName().toString().compareTo(WHEN.format(oldest)) < 0) {
        Files.delete(each);
      }
    }
  }
}
