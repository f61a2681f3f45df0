package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;

/** Which runs a history keeps, and how they are read. */
class KeptRunsTest {

  private static final Instant TEN = Instant.parse("2026-11-23T10:00:00Z");

  @TempDir
  Path folder;

  @Test
  void aBuildIsKeptOnceHoweverOftenAndInHoweverManyPartsItIsTold() throws IOException {
    KeptRuns kept = new KeptRuns(folder.resolve("kept"), "2");
    assertEquals(List.of("b"), runs(added(kept, "b", TEN.plusSeconds(5), "b")));
    assertEquals(List.of("a+1"), runs(added(kept, "a+1", TEN, "a", "b")));
    assertEquals(List.of("a+2"), runs(added(kept, "a+2", TEN, "a", "b", "c")));
    assertEquals(List.of("a+2", "d"), runs(added(kept, "d", TEN.plusSeconds(60), "d")));
    assertEquals(List.of("a+2", "d"), runs(added(kept, "d", TEN.plusSeconds(60), "d")));
    assertEquals(List.of("d", "z"), runs(added(kept, "z", TEN.plusSeconds(90), "z")));
    assertEquals(List.of("z", "e"), runs(added(kept, "e", TEN.plusMillis(90_003), "e")));
  }

  @Test
  void oldRunsAreRemovedByTheirAgeWhereDaysAreSaid() throws IOException {
    KeptRuns kept = new KeptRuns(folder.resolve("kept"), "7d");
    Instant now = Instant.now();
    added(kept, "old", now.minus(Duration.ofDays(8)));
    added(kept, "young", now.minus(Duration.ofDays(6)));
    assertEquals(List.of("young", "now"), runs(added(kept, "now", now)));
    assertThrows(IllegalArgumentException.class, () -> new KeptRuns(folder, "7 days"));
  }

  @Test
  void whatIsNoJournalIsToldAndACutOffRunIsKept() throws IOException {
    KeptRuns kept = new KeptRuns(folder.resolve("kept"), "60");
    added(kept, "whole", TEN);
    Path file = journal("cut", TEN.plusSeconds(9));
    List<String> lines = Files.readAllLines(file);
    Files.write(folder.resolve("kept/cut.jsonl"), lines.subList(0, 1));
    Files.writeString(folder.resolve("kept/empty.jsonl"), "");
    Files.writeString(folder.resolve("kept/other.jsonl"), "{\"event\":\"run-ended\"}\n");
    RunHistory history = RunHistory.in(folder.resolve("kept"));
    assertEquals(
        List.of(true, false), history.runs().stream().map(PastRun::isWhole).toList());
    assertEquals(2, history.problems().size());
    assertTrue(history.problems().get(0).contains("empty.jsonl has nothing at octet 0"));
  }

  private RunHistory added(KeptRuns kept, String run, Instant when, String... parts)
      throws IOException {
    Journal journal = new Journal(journal(run, when));
    return kept.with(RunData.of(journal), journal, List.of(parts));
  }

  private Path journal(String run, Instant when) throws IOException {
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      writer.hear(new RunEvent.Started(
          1, run, "Fennel Hill", "local", "s", when, new RunSize(0, 0, 1, ""), List.of()));
      writer.hear(new RunEvent.Ended(when.plusSeconds(1), 1_000_000, Map.of(), 0, false));
    }
    return file;
  }

  private static List<String> runs(RunHistory history) {
    return history.runs().stream().map(run -> run.started().run()).toList();
  }
}
