package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.plan.NothingSelected;
import org.oddlantern.internal.reports.folder.RunFolder;

/** The cases of an earlier run with which a build may not be green. */
final class FailedCases {

  private FailedCases() {}

  /** Their full names, as the journal has them. */
  static Set<String> in(Path journal) {
    Set<String> ids = new TreeSet<>();
    try {
      new Journal(RunFolder.journalOf(journal)).outcomes(one -> {
        if (!one.outcome().isGreen()) {
          ids.add(one.id());
        }
      });
    } catch (IOException e) {
      throw new Misuse("the journal of --failed-in cannot be read: " + e.getMessage());
    }
    if (ids.isEmpty()) {
      throw new NothingSelected("nothing failed in the run of " + journal);
    }
    return ids;
  }
}
