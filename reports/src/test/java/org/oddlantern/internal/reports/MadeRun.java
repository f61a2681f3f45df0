package org.oddlantern.internal.reports;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.AgreedReplies;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
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

/** A run made up for tests of reports: what happened in it is said case by case. */
final class MadeRun {

  static final Instant WHEN = Instant.parse("2026-11-23T10:00:00Z");

  private final String run;
  private final List<CaseRecord> records = new ArrayList<>();
  private final List<RunEvent> others = new ArrayList<>();
  private int lanes = 1;
  private Instant start = WHEN;

  MadeRun(String run) {
    this.run = run;
  }

  MadeRun at(Instant other) {
    start = other;
    return this;
  }

  MadeRun inLanes(int count) {
    lanes = count;
    return this;
  }

  MadeRun with(RunEvent event) {
    others.add(event);
    return this;
  }

  /** A case with nothing behind it. */
  MadeRun with(String name, Outcome outcome, long millis, Mark... marks) {
    ProblemRecord problem = outcome == Outcome.PASSED
        ? null
        : new ProblemRecord("", name + " went wrong", "YardTest.java:12", "");
    return with(one(name, outcome, millis, List.of(marks), problem, List.of(), CaseTrail.NONE));
  }

  MadeRun with(CaseRecord record) {
    records.add(record);
    return this;
  }

  CaseRecord one(
      String name,
      Outcome outcome,
      long millis,
      List<Mark> marks,
      @Nullable ProblemRecord problem,
      List<AttemptRecord> earlier,
      CaseTrail trail) {
    int order = records.size();
    boolean ran =
        outcome != Outcome.SKIPPED && outcome != Outcome.PENDING && outcome != Outcome.BLOCKED;
    return new CaseRecord(
        new CaseHead(
            RecordKind.CASE,
            "yard.YardTest#" + name,
            "YardTest",
            "the " + name + " case",
            "YardTest.java:" + (order + 3),
            "",
            outcome == Outcome.KNOWN_FAULT ? "BEE-17" : ""),
        new CaseTiming(
            order,
            ran ? 1 + order % lanes : 0,
            start.plusMillis(order * 20L),
            millis * 1_000,
            order == 0
                ? List.of()
                : List.of("yard.YardTest#" + records.get(0).id().replaceAll(".*#", ""))),
        new CaseEnding(outcome, marks, problem),
        earlier,
        trail,
        new SourceRecord("YardTest.java", 3, 0, List.of("@Case void " + name + "() {", "}")));
  }

  /** A case with everything behind it that a case can have. */
  MadeRun withRichCase(String name, Outcome outcome) {
    Finding wrong = Finding.of("$.label", "\"Heather\"", "\"Foxglove\"").hint("another hive");
    Finding sent = Finding.nothing("$.kind", "\"stack\"", "the field is missing from an object");
    ExchangeRecord call = exchange(
        "POST",
        List.of(
            new Verdict("status(201)", false, List.of()),
            new Verdict("at(\"$.label\", \"Heather\")", false, List.of(wrong)),
            new Verdict("at(\"$.kind\", \"stack\")", false, true, List.of(sent)),
            new Verdict(
                "answeredWithin(1 ms)", true, List.of(Finding.of("the time", "1 ms", "9 ms")))));
    LookRecord query = new LookRecord(
        new LookRecord.Asked("store", "select *\n from hive where id = ?", List.of("4")),
        "[{\"id\": 4}]",
        1,
        start,
        2_000,
        null,
        List.of(new Verdict("body(size(1))", false, List.of())));
    CaseTrail trail = new CaseTrail(
        List.of(call, exchange("GET", List.of(new Verdict("status(200)", false, List.of())))),
        List.of(query),
        "a bee hums\n",
        List.of(
            new StepRecord("the hive is opened", 0, start), new StepRecord("it is shut", 2, start)),
        List.of(new KeptRecord(
            "frames.txt", "text/plain", 3, null, Octets.of(new byte[] {65, 66, 67}))),
        List.of(new AgreedRecord(
            "agreed/YardTest/x.json",
            AgreedReplies.State.DIFFERS,
            List.of("$.id"),
            null,
            Octets.of(new byte[] {123, 125}))));
    List<AttemptRecord> earlier = List.of(new AttemptRecord(
        Outcome.ERRORED,
        start,
        1_000,
        List.of(exchange("GET", List.of())),
        List.of(),
        new ProblemRecord("Fog", "too much fog", "YardTest.java:9", "Fog: too much\n\tat x"),
        ""));
    ProblemRecord problem = outcome == Outcome.PASSED
        ? null
        : new ProblemRecord(
            "",
            "at $.label wanted \"Heather\", got \"Foxglove\"",
            "YardTest.java:12",
            "",
            new SourceRecord("YardTest.java", 11, 12, List.of("send(", "  must();")));
    return with(one(name, outcome, 30, List.of(Mark.WARNED), problem, earlier, trail));
  }

  ExchangeRecord exchange(String method, List<Verdict> verdicts) {
    String body = "{\"id\": 4, \"label\": \"Foxglove\"}";
    return new ExchangeRecord(
        new ExchangeRecord.Origin("", "beeyard", "/hives"),
        new ExchangeRecord.Request(
            method,
            "http://127.0.0.1:7411/api/hives?kind=stack",
            List.of(
                new Header("Content-Type", "application/json"), new Header("Cookie", "wax=***")),
            new BodyRecord(14, "{\"label\": \"x\"}", null, List.of()),
            List.of("BEE_TOKEN")),
        new ExchangeRecord.Reply(
            201,
            "Created",
            List.of(
                new Header("Content-Type", "application/json"),
                new Header("Set-Cookie", "wax=***")),
            new BodyRecord(body.length(), body, null, List.of())),
        start,
        9_000,
        null,
        verdicts);
  }

  List<RunEvent> events() {
    Map<String, Integer> counts = new LinkedHashMap<>();
    List<RunEvent> events = new ArrayList<>();
    events.add(new RunEvent.Started(
        1,
        run,
        "Fennel Hill",
        "local",
        "seed-1",
        start,
        new RunSize(records.size(), 1, lanes, ""),
        List.of("a field is assigned")));
    for (CaseRecord one : records) {
      if (one.hasRun()) {
        events.add(new RunEvent.CaseBegan(one.id(), one.suite(), one.title(), one.lane()));
      }
      events.add(new RunEvent.CaseFinished(one));
      counts.merge(one.word(), 1, Integer::sum);
    }
    events.addAll(others);
    events.add(new RunEvent.Ended(start.plusSeconds(1), 1_000_000, counts, 0, false));
    return events;
  }

  RunData written(Path journal) throws IOException {
    try (JournalWriter writer = new JournalWriter(journal)) {
      for (RunEvent event : events()) {
        writer.hear(event);
      }
    }
    return RunData.of(new Journal(journal));
  }

  /** One of each outcome, with all there is. */
  static MadeRun ofEverything() {
    return new MadeRun("k1")
        .inLanes(3)
        .withRichCase("weighed", Outcome.FAILED)
        .withRichCase("fed", Outcome.PASSED)
        .with("quiet", Outcome.PASSED, 4, Mark.UNPROVEN)
        .with("stormy", Outcome.ERRORED, 5)
        .with("next", Outcome.BLOCKED, 0)
        .with("winter", Outcome.SKIPPED, 0)
        .with("unwritten", Outcome.PENDING, 0)
        .with("halves", Outcome.KNOWN_FAULT, 7)
        .with("again", Outcome.PASSED, 900, Mark.FLAKY)
        .with("mended", Outcome.PASSED, 8, Mark.FIXED, Mark.NEEDED)
        .with(new RunEvent.PutBack("yard.YardTest#fed", "DELETE /hives/4", "", List.of()))
        .with(new RunEvent.PutBack(
            "yard.YardTest#fed", "DELETE /hives/5", "it was answered 500", List.of()))
        .with(new RunEvent.ProblemFound("a thread outlived its case"));
  }
}
