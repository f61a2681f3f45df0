package org.oddlantern.run;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/**
 * A journal without what was sent, what came and what was printed: how each case ended and how long it
 * took, to be kept for comparing runs.
 *
 * @param file the whole journal
 */
public record ShortJournal(Path file) {

  private static final int LONGEST_MESSAGE = 500;

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
      } else if (!(event instanceof RunEvent.PutBack) && !(event instanceof RunEvent.UndoNoted)) {
        writer.hear(event);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static CaseRecord shortened(CaseRecord one) {
    return one.brief(shortened(one.problem()));
  }

  private static @Nullable ProblemRecord shortened(@Nullable ProblemRecord problem) {
    if (problem == null) {
      return null;
    }
    String message = problem.message();
    return new ProblemRecord(
        problem.type(),
        message.length() > LONGEST_MESSAGE
            ? message.substring(0, LONGEST_MESSAGE) + "..."
            : message,
        problem.at(),
        "");
  }
}
