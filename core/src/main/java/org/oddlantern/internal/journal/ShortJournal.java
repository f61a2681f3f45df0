package org.oddlantern.internal.journal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RunEvent;

/**
 * A journal without what was sent, what came and what was printed: how each case ended and how long it
 * took, to be kept for comparing runs.
 *
 * @param file the whole journal
 */
public record ShortJournal(Path file) {

  /**
   * Writes it.
   *
   * @param target the file to write
   * @throws IOException if the journal cannot be read, or the other not be written
   */
  public void write(Path target) throws IOException {
    try (JournalWriter writer = new JournalWriter(target)) {
      new Journal(file).read(event -> hear(writer, event));
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private static void hear(JournalWriter writer, RunEvent event) {
    try {
      if (event instanceof RunEvent.CaseFinished finished) {
        if (finished.record().counts()) {
          writer.hear(new RunEvent.CaseFinished(shortened(finished.record())));
        }
      } else if (!(event instanceof RunEvent.PutBack
          || event instanceof RunEvent.UndoNoted
          || event instanceof RunEvent.Promised)) {
        writer.hear(event);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static CaseRecord shortened(CaseRecord one) {
    ProblemRecord problem = one.problem();
    return one.brief(problem == null ? null : problem.brief());
  }
}
