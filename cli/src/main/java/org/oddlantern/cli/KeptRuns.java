package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.regex.Matcher;
import org.oddlantern.config.HistorySettings;
import org.oddlantern.reports.RunData;
import org.oddlantern.reports.RunHistory;
import org.oddlantern.run.ShortJournal;

/**
 * A folder with a short journal of each run, of which the oldest are removed.
 *
 * @param folder the folder
 * @param keep how many, or for how many days
 */
record KeptRuns(Path folder, String keep) {

  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);

  KeptRuns {
    if (!HistorySettings.KEEP.matcher(keep).matches()) {
      throw new Misuse("--keep takes a number of runs, like 50, or of days, like 90d, not " + keep);
    }
  }

  /** Adds a run, and removes what is not to be kept any longer. */
  void add(RunData run, Path journal) throws IOException {
    Files.createDirectories(folder);
    String name = WHEN.format(run.started().startedAt()) + "-"
        + run.started().run().replaceAll("[^\\w-]", "") + ".jsonl";
    new ShortJournal(journal).write(folder.resolve(name));
    prune();
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
