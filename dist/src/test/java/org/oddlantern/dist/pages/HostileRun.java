package org.oddlantern.dist.pages;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.json.Finding;

/** Journals of runs that no page likes: endless words, marks of HTML everywhere, very many cases. */
final class HostileRun {

  static final String ENDLESS = "x".repeat(10_000);
  private static final String EVIL =
      "<img src=x onerror=\"document.title='broken into'\"><script>document.title='broken into'</script>&amp;\u202e";
  private static final Instant WHEN = Instant.parse("2026-11-23T10:00:00Z");

  private HostileRun() {}

  /** Three cases with everything that is too long or means something elsewhere. */
  static void endless(Path journal) throws IOException {
    List<CaseRecord> cases = new ArrayList<>();
    for (String text : List.of(ENDLESS, EVIL, "http://127.0.0.1/" + "a/".repeat(3_000))) {
      cases.add(broken(text, cases.size()));
    }
    write(journal, cases);
  }

  /** As many small cases as asked for, most of which passed; the last of those that did not is another's. */
  static void many(Path journal, int count) throws IOException {
    List<CaseRecord> cases = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      boolean broke = i % 150 == 7;
      boolean alike = i < count - 150;
      cases.add(one(
          "org.fennelhill.Yard" + i / 100 + "Test",
          "hive " + i + " is as it was registered",
          i,
          broke ? Outcome.FAILED : Outcome.PASSED,
          List.of(exchange(
              "",
              "{\"id\":" + i + ",\"label\":\"Foxglove\"}",
              "http://127.0.0.1/hives/" + i,
              !broke || !alike)),
          broke
              ? new ProblemRecord(
                  alike ? "" : "org.fennelhill.Gate", "gate 7 is shut", "Yard.java:12", "")
              : null,
          ""));
    }
    write(journal, cases);
  }

  /** Cases with bodies just short enough to stand in the journal. */
  static void heavy(Path journal, String run, int count) throws IOException {
    List<CaseRecord> cases = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      String body =
          "{\"notes\":\"" + (run + i + " ").repeat(3_000).substring(0, 15_000) + "\",\"kind\":4}";
      boolean holds = i % 100 != 7;
      cases.add(one(
          "org.fennelhill." + run + i / 100 + "Test",
          "note " + i + " of " + run,
          i,
          holds ? Outcome.PASSED : Outcome.FAILED,
          List.of(exchange("", body, "http://127.0.0.1/notes/" + i, holds)),
          holds ? null : new ProblemRecord("", "it is not", "Yard.java:12", ""),
          ""));
    }
    write(journal, run, cases);
  }

  private static CaseRecord broken(String text, int order) {
    return one(
        "org.fennelhill.HostileTest",
        text,
        order,
        Outcome.FAILED,
        List.of(
            exchange(text, "{\"label\":\"" + "y".repeat(10_000) + "\",\"kind\":4}", text, false),
            exchange(text, "<a><b>" + "z".repeat(10_000) + "</b><c k='1'/></a>", text, false)),
        new ProblemRecord(
            "Evil",
            text,
            "HostileTest.java:4",
            text,
            new SourceRecord("HostileTest.java", 3, 4, List.of(text, "  " + text))),
        text);
  }

  private static CaseRecord one(
      String suite,
      String title,
      int order,
      Outcome outcome,
      List<ExchangeRecord> exchanges,
      ProblemRecord problem,
      String printed) {
    return new CaseRecord(
        new CaseHead(
            RecordKind.CASE,
            suite + "#case" + order,
            suite.replaceAll(".*\\.", ""),
            title,
            "Yard.java:3",
            "",
            ""),
        new CaseTiming(order, 1 + order % 8, WHEN.plusMillis(order / 8 * 2L), 1_900, List.of()),
        new CaseEnding(outcome, order % 50 == 3 ? List.of(Mark.WARNED) : List.of(), problem),
        List.of(),
        new CaseTrail(
            exchanges,
            List.of(),
            printed,
            printed.isEmpty() ? List.of() : List.of(new StepRecord(printed, 0, WHEN)),
            List.of(),
            List.of()),
        null);
  }

  private static ExchangeRecord exchange(String name, String body, String url, boolean holds) {
    Finding finding =
        Finding.of("$.kind", name.isBlank() ? "5" : name, name.isBlank() ? "4" : name);
    return new ExchangeRecord(
        new ExchangeRecord.Origin(name, "beeyard", "/hives"),
        new ExchangeRecord.Request(
            "GET", url, List.of(new Header("X-Hive", name)), BodyRecord.NONE, List.of()),
        new ExchangeRecord.Reply(
            200,
            "OK",
            List.of(new Header("X-Hive", name)),
            new BodyRecord(body.length(), body, null, List.of())),
        WHEN,
        1_000,
        null,
        List.of(new Verdict(
            "at(\"$.kind\", " + name + ")", false, holds ? List.of() : List.of(finding))));
  }

  private static void write(Path journal, List<CaseRecord> cases) throws IOException {
    write(journal, "run", cases);
  }

  private static void write(Path journal, String run, List<CaseRecord> cases) throws IOException {
    try (JournalWriter writer = new JournalWriter(journal)) {
      writer.hear(new RunEvent.Started(
          1,
          run,
          "Fennel Hill",
          "local",
          "s",
          WHEN,
          new RunSize(cases.size(), 1, 8, ""),
          List.of(EVIL)));
      for (CaseRecord one : cases) {
        writer.hear(new RunEvent.CaseFinished(one));
      }
      writer.hear(new RunEvent.Ended(
          WHEN.plusSeconds(9), 9_000_000, Map.of("passed", cases.size()), 0, false));
    }
  }
}
