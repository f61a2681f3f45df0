package org.oddlantern.internal.junit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.internal.reports.folder.RunFolder;

/** The journals of a build, as each of its JVMs joins them. */
class JournalsTest {

  @TempDir
  Path folder;

  @Test
  void whatIsReportedIsNotJoinedAgainUntilThereIsMore() throws IOException {
    Journals journals = Journals.in(new RunFolder(folder));
    journals.tellIfAny(null);
    assertFalse(Files.exists(folder.resolve("summary.md")), "there is nothing to report");

    written(journals, "one");
    journals.tellIfAny(null);
    Path summary = folder.resolve("summary.md");
    assertTrue(Files.readString(folder.resolve("journal.jsonl")).contains("\"one\""));

    Files.writeString(summary, "as it was");
    Files.setLastModifiedTime(summary, FileTime.from(Instant.now().plusSeconds(5)));
    journals.tellIfAny(null);
    assertEquals("as it was", Files.readString(summary));

    Files.setLastModifiedTime(summary, FileTime.from(Instant.now().minusSeconds(5)));
    written(journals, "two");
    journals.tellIfAny(null);
    assertNotEquals("as it was", Files.readString(summary));
    String joined = Files.readString(folder.resolve("journal.jsonl"));
    assertTrue(joined.contains("one") && joined.contains("two"), joined);
  }

  private static void written(Journals journals, String name) throws IOException {
    try (JournalWriter writer = journals.begun()) {
      writer.hear(new RunEvent.Started(
          1, name, name, "local", "seed", Instant.EPOCH, new RunSize(0, 0, 1, ""), List.of()));
      writer.hear(new RunEvent.Ended(Instant.EPOCH, 1, Map.of(), 0, false, List.of()));
    }
  }
}
