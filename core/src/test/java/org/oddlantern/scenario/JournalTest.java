package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseOutcome;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;

/** What is read back of a journal: all of it, one event of it, or only how cases went. */
class JournalTest {

  private static final Instant WHEN = Instant.parse("2026-11-23T10:00:00Z");

  /** Longer than any buffer, of characters that take four octets each, so that buffers end inside one. */
  private static final String LONG = "\ud83d\udc1d hive \n".repeat(20_000);

  @TempDir
  Path folder;

  private Path file = Path.of("");

  @BeforeEach
  void write() throws IOException {
    file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      writer.hear(new RunEvent.Started(
          1, "run", "Fennel Hill", "local", "s", WHEN, new RunSize(3, 1, 1, ""), List.of()));
      writer.hear(new RunEvent.CaseFinished(record(
          RecordKind.CASE, "yard.HiveTest#a", 1, Outcome.PASSED, List.of(Mark.FLAKY), LONG)));
      writer.hear(new RunEvent.UndoNoted("yard.HiveTest#a", "DELETE /hives/4"));
      writer.hear(new RunEvent.CaseFinished(
          record(RecordKind.SUPPLY, "yard.HiveTest#b", 2, Outcome.PASSED, List.of(), "")));
      writer.hear(new RunEvent.CaseFinished(record(
          RecordKind.CASE, "yard.HiveTest#c", 0, Outcome.KNOWN_FAULT, List.of(Mark.WARNED), "x")));
      writer.hear(new RunEvent.Ended(WHEN, 4_000, Map.of("passed", 1), 0, false));
    }
  }

  @Test
  void eachEventCanBeReadAgainAtItsPlace() throws IOException {
    List<RunEvent> events = new ArrayList<>();
    List<Long> places = new ArrayList<>();
    Journal journal = new Journal(file);
    journal.readPlaced((event, place) -> {
      events.add(event);
      places.add(place);
    });
    assertEquals(6, events.size());
    assertEquals(LONG, ((RunEvent.CaseFinished) events.get(1)).record().printed());
    for (int i = events.size() - 1; i >= 0; i--) {
      assertEquals(events.get(i), journal.at(places.get(i)), "event " + i);
    }
    assertEquals(
        file + " has nothing at octet " + Files.size(file) + ": it is empty, or has changed",
        assertThrows(IOException.class, () -> journal.at(Files.size(file))).getMessage());
  }

  @Test
  void outcomesTellWhatTheWholeRecordsTell() throws IOException {
    List<CaseOutcome> whole = new ArrayList<>();
    new Journal(file).read(event -> {
      if (event instanceof RunEvent.CaseFinished finished) {
        CaseRecord one = finished.record();
        whole.add(new CaseOutcome(
            one.kind(),
            one.id(),
            one.suite(),
            one.title(),
            one.hasRun(),
            one.outcome(),
            one.marks(),
            one.tookMicros()));
      }
    });
    assertEquals(3, whole.size());
    assertEquals(whole, outcomes());
    assertEquals(4_000, new Journal(file).end().tookMicros());
  }

  @Test
  void lineEndsOfOtherSystemsAndALastLineWithoutOneAreRead() throws IOException {
    List<CaseOutcome> before = outcomes();
    String text = Files.readString(file);
    Files.writeString(file, text.replace("\n", "\r\n"));
    assertEquals(before, outcomes());
    assertEquals(6, count());
    Files.writeString(file, text.stripTrailing());
    assertEquals(before, outcomes());
    assertEquals(6, count());
    assertEquals(4_000, new Journal(file).end().tookMicros());
  }

  @Test
  void whereverAKilledRunCutItsLastLineTheRestIsRead() throws IOException {
    byte[] all = Files.readAllBytes(file);
    int begin = lastBegin(all);
    for (int cut : new int[] {begin, begin + 1, begin + 20, all.length - 3}) {
      Files.write(file, Arrays.copyOf(all, cut));
      assertEquals(5, count(), "cut at " + cut);
      assertEquals(3, outcomes().size(), "cut at " + cut);
      assertNull(new Journal(file).end(), "cut at " + cut);
    }
    int inside = new String(all, StandardCharsets.UTF_8).indexOf("hive");
    Files.write(file, Arrays.copyOf(all, inside + 3_002)); // inside a character of the second line
    assertEquals(1, count());
    assertEquals(List.of(), outcomes());
  }

  @Test
  void whatIsNoJournalIsRefusedWithTheLine() throws IOException {
    List<String> lines = Files.readAllLines(file);
    Files.writeString(file, lines.get(0) + "\n{\"event\": oops}\n" + lines.get(2) + "\n");
    String told = problem(this::count);
    assertEquals(told, problem(this::outcomes));
    assertEquals(
        file
            + ", line 2: this is not a line of a journal: \"oops\" without quotes is no value; texts stand in double quotes",
        told);
    Files.writeString(file, lines.get(0).replace("\"format\":1", "\"format\":2"));
    assertEquals(
        file + " is written in format 2; this version of Odd Lantern reads format 1",
        problem(this::outcomes));
    Files.writeString(file, "{\"event\":\"something\"}\n");
    assertEquals(problem(this::count), problem(this::outcomes));
  }

  private static int lastBegin(byte[] all) {
    int begin = all.length - 1;
    while (all[begin - 1] != '\n') {
      begin--;
    }
    return begin;
  }

  private static CaseRecord record(
      RecordKind kind, String id, int lane, Outcome outcome, List<Mark> marks, String printed) {
    return new CaseRecord(
        new CaseHead(
            kind,
            id,
            "HiveTest",
            "a \"hive\" \u0007 is told \ud83d\udc1d",
            "HiveTest.java:3",
            "",
            ""),
        new CaseTiming(0, lane, WHEN, 3_000, List.of()),
        new CaseEnding(
            outcome, marks, outcome == Outcome.PASSED ? null : new ProblemRecord("", LONG, "", "")),
        List.of(),
        new CaseTrail(List.of(), List.of(), printed, List.of(), List.of()),
        null);
  }

  private List<CaseOutcome> outcomes() throws IOException {
    List<CaseOutcome> outcomes = new ArrayList<>();
    new Journal(file).outcomes(outcomes::add);
    return outcomes;
  }

  private int count() throws IOException {
    List<RunEvent> events = new ArrayList<>();
    new Journal(file).read(events::add);
    return events.size();
  }

  private static String problem(Reading reading) {
    return assertThrows(IOException.class, reading::read).getMessage();
  }

  /** Reads something. */
  private interface Reading {
    Object read() throws IOException;
  }
}
