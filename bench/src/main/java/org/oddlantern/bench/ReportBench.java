package org.oddlantern.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.json.Finding;

/** How long the pages of 10,000 cases take, from their journal. */
public final class ReportBench {

  private static final SourceRecord CODE = new SourceRecord(
      "YardTest.java",
      41,
      0,
      List.of(
          "  @Case(\"a keeper registers a hive\")",
          "  HiveId register(Fresh fresh) {",
          "    var hive = Payload.file(\"payloads/hive.json\").with(\"$.label\", fresh.text());",
          "    var reply = beeyard.send(Call.post(\"/hives\").json(hive).named(\"register a hive\"));",
          "    reply.must(status(201), at(\"$.label\", fresh.text()), header(\"Location\"));",
          "    return reply.valueAt(\"$.id\", HiveId.class);",
          "  }"));

  private static final int CASES = 10_000;
  private static final Instant WHEN = Instant.parse("2026-11-23T10:00:00Z");

  private ReportBench() {}

  /**
   * Starts here.
   *
   * @param arguments how often, 5 unless given
   * @throws IOException if something cannot be written
   */
  public static void main(String[] arguments) throws IOException {
    int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 5;
    Path folder = Files.createTempDirectory("report");
    Path file = folder.resolve("journal.jsonl");
    write(file);
    double[] seconds = new double[rounds];
    double reading = 0;
    for (int i = 0; i < rounds; i++) {
      long start = System.nanoTime();
      Journal journal = new Journal(file);
      RunData run = RunData.of(journal);
      reading = i == 0 ? (System.nanoTime() - start) / 1e9 : reading;
      HtmlReport.write(run, journal, folder.resolve("report"));
      seconds[i] = (System.nanoTime() - start) / 1e9;
    }
    double first = seconds[0];
    Arrays.sort(seconds);
    System.out.printf(
        Locale.ROOT,
        "pages of 10,000 cases from their journal of %.1f MB, JDK %d: first %.2f s (reading %.2f s), median of %d %.2f s; index %.2f MB%n",
        Files.size(file) / 1e6,
        Runtime.version().feature(),
        first,
        reading,
        rounds,
        seconds[rounds / 2],
        Files.size(folder.resolve("report/index.html")) / 1e6);
  }

  private static void write(Path file) throws IOException {
    try (JournalWriter writer = new JournalWriter(file)) {
      writer.hear(new RunEvent.Started(
          1, "run", "Fennel Hill", "local", "s", WHEN, new RunSize(CASES, 100, 8, ""), List.of()));
      for (int i = 0; i < CASES; i++) {
        writer.hear(new RunEvent.CaseFinished(one(i)));
      }
      writer.hear(new RunEvent.Ended(WHEN, 60_000_000, Map.of("passed", CASES), 0, false));
    }
  }

  private static CaseRecord one(int number) {
    boolean broke = number % 500 == 7;
    List<Finding> findings =
        broke ? List.of(Finding.of("$.label", "\"Heather\"", "\"Foxglove\"")) : List.of();
    return new CaseRecord(
        new CaseHead(
            RecordKind.CASE,
            "org.fennelhill.Yard" + number / 100 + "Test#hive" + number,
            "Yard" + number / 100 + "Test",
            "hive " + number + " is as it was registered",
            "Yard.java:3",
            "",
            ""),
        new CaseTiming(number, 1 + number % 8, WHEN.plusMillis(number), 1_900, List.of()),
        new CaseEnding(
            broke ? Outcome.FAILED : Outcome.PASSED,
            List.of(),
            broke ? new ProblemRecord("", "it is not", "Yard.java:12", "") : null),
        List.of(),
        new CaseTrail(
            List.of(exchange(number, findings)), List.of(), "", List.of(), List.of(), List.of()),
        CODE);
  }

  private static ExchangeRecord exchange(int number, List<Finding> findings) {
    String body = "{\"id\":" + number + ",\"label\":\"Foxglove\",\"kind\":\"stack\"}";
    return new ExchangeRecord(
        new ExchangeRecord.Origin("", "beeyard", "/hives/{id}"),
        new ExchangeRecord.Request(
            "GET",
            "http://127.0.0.1:7411/api/hives/" + number,
            List.of(new Header("User-Agent", "odd-lantern")),
            BodyRecord.NONE,
            List.of()),
        new ExchangeRecord.Reply(
            200,
            "OK",
            List.of(new Header("Content-Type", "application/json")),
            new BodyRecord(body.length(), body, null, List.of())),
        WHEN.plusMillis(number),
        900,
        null,
        List.of(
            new Verdict("status(200)", false, List.of()),
            new Verdict("at(\"$.label\", \"Foxglove\")", false, findings)));
  }
}
