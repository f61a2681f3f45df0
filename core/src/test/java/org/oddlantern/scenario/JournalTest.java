package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.AgreedReplies;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.journal.PlacedCases;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.SampleTable;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseOutcome;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Octets;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.json.Finding;

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
    PlacedCases cases = journal.cases();
    for (int i : new int[] {4, 1, 3, 4}) { // back, over what is longer than a piece, and on
      assertEquals(
          ((RunEvent.CaseFinished) events.get(i)).record(), cases.at(places.get(i)), "case " + i);
    }
    assertEquals(
        file + " has changed: there is no case at octet " + places.get(2),
        assertThrows(IOException.class, () -> cases.at(places.get(2))).getMessage());
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
  void aRecordIsReadAsItWasWrittenWithItsLongBodiesAndFilesBeside() throws IOException {
    BodyRecord shortest = new BodyRecord(10, "x".repeat(10), null, List.of());
    BodyRecord longer = new BodyRecord(11, "y".repeat(11), null, List.of());
    BodyRecord form = new BodyRecord(
        3, null, null, List.of(new BodyRecord.FormPart("photo", "q.png", "image/png", 3, null)));
    BodyRecord picture = new BodyRecord(3, null, null, List.of(), Octets.of(new byte[] {1, 2, 3}));
    CaseRecord whole = whole(
        List.of(exchange(shortest, longer), exchange(form, picture)),
        List.of(exchange(shortest, shortest)));
    CaseRecord early = whole(List.of(), List.of(exchange(longer, shortest)));
    RunEvent.PutBack back =
        new RunEvent.PutBack("yard.HiveTest#a", "DELETE /x", "", List.of(exchange(longer, form)));
    List<RunEvent> events = new ArrayList<>();
    try (JournalWriter writer = new JournalWriter(file, 10, (event, octets) -> events.add(event))) {
      writer.hear(new RunEvent.Started(
          1, "run", "x", "local", "s", WHEN, new RunSize(3, 1, 1, "2/5"), List.of("a warning")));
      writer.hear(promised());
      writer.hear(new RunEvent.CaseBegan("yard.HiveTest#a", "HiveTest", "a title", 3));
      writer.hear(new RunEvent.CaseFinished(whole));
      writer.hear(new RunEvent.CaseFinished(early));
      writer.hear(back);
      writer.hear(new RunEvent.Ended(WHEN, 4_000, Map.of("passed", 1), 2, true, List.of("look")));
    }
    List<RunEvent> read = new ArrayList<>();
    new Journal(file).read(read::add);
    assertEquals(events, read);
    CaseRecord told = ((RunEvent.CaseFinished) read.get(3)).record();
    assertEquals(shortest, told.exchanges().get(0).requestBody());
    assertEquals("bodies/000003.txt", told.exchanges().get(0).replyBody().file());
    assertEquals("y".repeat(11), Files.readString(folder.resolve("bodies/000003.txt")));
    assertEquals("bodies/000004.bin", told.exchanges().get(1).replyBody().file());
    assertEquals(whole.earlier(), told.earlier());
    assertEquals("kept/000001.txt", told.kept().get(0).file());
    assertEquals("agreed/000002.txt", told.agreed().get(0).came());
    assertEquals("{}", Files.readString(folder.resolve("agreed/000002.txt")));
    CaseRecord before = ((RunEvent.CaseFinished) read.get(4)).record();
    assertEquals(1, before.earlier().get(0).exchanges().size());
    assertTrue(before.earlier().get(0).exchanges().get(0).requestBody().file() != null);
    assertEquals(
        "y".repeat(11),
        Files.readString(folder.resolve(
            ((RunEvent.PutBack) read.get(5)).exchanges().get(0).requestBody().file())));
    assertEquals(file + "", new JournalWriter(file).toString().replace("the journal ", ""));
    for (String beside : List.of("bodies", "kept", "agreed")) {
      try (Stream<Path> files = Files.list(folder.resolve(beside))) {
        assertEquals(0, files.count(), "a new journal removes what an earlier one had");
      }
    }
  }

  private static RunEvent.Promised promised() {
    SampleTable table = new SampleTable(
        "kinds.csv",
        List.of("kind", "plot"),
        List.of(
            new SampleTable.Row("yard.HiveTest#a[x]", List.of("x", "")),
            new SampleTable.Row("", List.of("y", "z"))));
    PromiseDocument document = new PromiseDocument(
        "promises/yard.md",
        "- a\n",
        List.of(
            new Promise(1, 0, "a", List.of("yard.HiveTest#a[x]"), "", table),
            new Promise(2, 1, "b", List.of(), "a title", null)));
    return new RunEvent.Promised(
        List.of(document),
        List.of(new TitledCase("yard.HiveTest#c", "HiveTest", "c", List.of(), List.of())));
  }

  private static ExchangeRecord exchange(BodyRecord sent, BodyRecord came) {
    Finding finding = Finding.of("$.id", "1", "2").hint("1 too much").atEach(List.of("$.a", "$.b"));
    return new ExchangeRecord(
        new ExchangeRecord.Origin("show it", "yard", "/hives/{id}"),
        new ExchangeRecord.Request(
            "PUT", "http://x/hives/4", List.of(new Header("A", "b")), sent, List.of("", "TOKEN")),
        new ExchangeRecord.Reply(404, "Not Found", List.of(new Header("C", "d")), came),
        WHEN,
        1_500,
        "it was cut off",
        List.of(
            new Verdict("status(200)", true, false, List.of(finding)),
            new Verdict("at(\"$\", 1)", false, true, List.of(Finding.nothing("$", "1", "nothing"))),
            new Verdict("held", false, List.of())),
        new LogRecord(true, List.of("a line", "another")));
  }

  private static CaseRecord whole(
      List<ExchangeRecord> exchanges, List<ExchangeRecord> earlierExchanges) {
    LookRecord query = new LookRecord(
        new LookRecord.Asked("store", "select 1", List.of("a")),
        "1 row",
        1,
        WHEN,
        20,
        "the database is away",
        List.of(new Verdict("size(1)", false, List.of())));
    SourceRecord source = new SourceRecord("HiveTest.java", 3, 4, List.of("one", "two"));
    ProblemRecord problem =
        new ProblemRecord("Fog", "too much", "HiveTest.java:4", "Fog\n\tat x", source);
    return new CaseRecord(
        new CaseHead(
            RecordKind.SUPPLY, "yard.HiveTest#a", "HiveTest", "title", "p:1", "b", "BEE-17"),
        new CaseTiming(7, 2, WHEN, 3_000, List.of("yard.HiveTest#b")),
        new CaseEnding(Outcome.FAILED, List.of(Mark.WARNED, Mark.FLAKY), problem),
        List.of(new AttemptRecord(
            Outcome.ERRORED, WHEN, 1_000, earlierExchanges, List.of(query), problem, "early")),
        new CaseTrail(
            exchanges,
            List.of(query),
            "printed",
            List.of(new StepRecord("a step", 1, WHEN)),
            List.of(new KeptRecord("k", "text/plain", 1, null, Octets.of(new byte[] {65}))),
            List.of(
                new AgreedRecord(
                    "agreed/x.json",
                    AgreedReplies.State.NEW,
                    List.of("$.id"),
                    null,
                    Octets.of(new byte[] {'{', '}'})),
                new AgreedRecord(
                    "agreed/y.json", AgreedReplies.State.SAME, List.of(), null, null))),
        new SourceRecord("HiveTest.java", 1, 0, List.of("x")));
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
            + ", line 2: this is not a line of a journal: \"oops\" without quotes is no value; strings are in double quotes",
        told);
    Files.writeString(file, lines.get(0).replace("\"format\":1", "\"format\":2"));
    assertEquals(
        file + " is written in format 2; this version of Odd Lantern reads format 1",
        problem(this::outcomes));
    Files.writeString(file, "{\"event\":\"something\"}\n");
    assertEquals(problem(this::count), problem(this::outcomes));
  }

  @Test
  void whatALineSaysInAnotherWayIsRefusedInWords() throws IOException {
    Map.of(
            "\"cases\":\"3\"",
            "'cases' is \"3\" (text), where a whole number is wanted",
            "\"cases\":3.5",
            "'cases' is 3.5, where a whole number is wanted",
            "\"cases\":99999999999",
            "'cases' is 99999999999, which is too large",
            "\"cases\":1e400",
            "'cases' is 1E+400, where a whole number is wanted",
            "\"warnings\":{}",
            "'warnings' is an object, where a list is wanted",
            "\"warnings\":[[\"a\",1]]",
            "'warnings' is a list of 2, where a list of texts is wanted",
            "\"warnings\":[null]",
            "'warnings' is nothing, where a list of texts is wanted",
            "\"name\":\"a\",\"name\":\"a\"",
            "'name' is there twice",
            "\"x\":" + "[".repeat(50_000),
            "it is nested too deep")
        .forEach((members, why) -> {
          assertEquals(
              file + ", line 1: this is not a line of a journal that this version reads: " + why,
              refused(
                  "{\"event\":\"run-started\",\"startedAt\":\"" + WHEN + "\"," + members + "}"));
        });
    assertTrue(refused("[1]").endsWith("reads: an object is wanted"));
    assertTrue(refused("{} {}").endsWith("reads: something follows its object"));
  }

  private String refused(String line) {
    return problem(() -> {
      Files.writeString(file, line + "\n{}\n");
      return count();
    });
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
        new CaseTrail(List.of(), List.of(), printed, List.of(), List.of(), List.of()),
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
