package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.json.Finding;

/** Which cases are told to have broken alike, and in which words. */
class LikenessTest {

  private static final ProblemRecord CHECKS = new ProblemRecord("", "checks do not hold", "", "");

  @Test
  void theSameInTheSamePlaceIsAlikeWhateverItemItIsInAndWhateverWasWanted() {
    assertEquals(
        """
        a b: at $.items[*].frames got "4" (text)
        c: at $.items[9].mood wanted a whole number, got "4" (text)
        d: at $.items[2].frames wanted a number, got "5" (text)""",
        told(
            found("a", Finding.of("$.items[36].frames", "a whole number", "\"4\" (text)")),
            found("b", Finding.of("$.items[7].frames", "at most 10", "\"4\" (text)")),
            found("c", Finding.of("$.items[9].mood", "a whole number", "\"4\" (text)")),
            found("d", Finding.of("$.items[2].frames", "a number", "\"5\" (text)"))));
    assertEquals(
        "a b: at status wanted 200, got 503",
        told(
            found("a", Finding.of("status", "200", "503"), Finding.of("body", "JSON", "x")),
            found("b", Finding.of("status", "200", "503"))));
  }

  @Test
  void whatEndedCasesIsAlikeApartFromItsNumbers() {
    assertEquals(
        """
        a b: no reply within 3.01 s
        c e: IllegalStateException: hive 4 fell
        d: IllegalArgumentException
        f: it was open
        g: errored""",
        told(
            silent("a", "no reply within 3.01 s"),
            silent("b", "no reply within 2.99 s"),
            thrown(
                "c", new ProblemRecord("java.lang.IllegalStateException", "hive 4 fell", "", "")),
            thrown("d", new ProblemRecord("java.lang.IllegalArgumentException", "", "", "")),
            thrown(
                "e", new ProblemRecord("java.lang.IllegalStateException", "hive 51 fell", "", "")),
            thrown("f", new ProblemRecord("", "it was open\nfor long", "", "")),
            thrown("g", null)));
  }

  @Test
  void warningsDoNotCountAndLongTextsAreCut() {
    Verdict warned = new Verdict("warned", true, List.of(Finding.of("header ETag", "one", "none")));
    Verdict failed = new Verdict(
        "failed", false, List.of(Finding.of("$.label", "\"x\"", "y".repeat(10_000) + "\nmore")));
    assertEquals(
        "a: at $.label wanted \"x\", got " + "y".repeat(200) + "... (10000 characters in all)",
        told(one("a", CHECKS, List.of(exchange(null, List.of(warned, failed))))));
  }

  @Test
  void whatTheServiceThrewPutsCasesTogetherThatFailedElsewhere() {
    LogRecord named = new LogRecord(true, List.of("[1] a.NoQueen: gone", "x a.b.QueenError: gone"));
    LogRecord other = new LogRecord(false, List.of("a.b.QueenError: gone"));
    assertEquals(
        "a b: the service logged a.b.QueenError: gone\nc: at $.c wanted 1, got 2",
        told(
            one("a", CHECKS, List.of(logged("$.a", named))),
            one("b", CHECKS, List.of(logged("$.b", named))),
            one("c", CHECKS, List.of(logged("$.c", other)))));
  }

  private static ExchangeRecord logged(String where, LogRecord log) {
    ExchangeRecord plain =
        exchange(null, List.of(new Verdict("check", false, List.of(Finding.of(where, "1", "2")))));
    return new ExchangeRecord(
        plain.origin(),
        plain.request(),
        plain.reply(),
        plain.sentAt(),
        plain.tookMicros(),
        plain.fault(),
        plain.verdicts(),
        log);
  }

  private static String told(CaseRecord... broken) {
    List<Likeness> alike =
        Likeness.among(Stream.of(broken).map(Likeness.Broken::of).toList());
    return String.join(
        "\n",
        alike.stream()
            .map(one ->
                String.join(" ", one.cases().stream().map(CaseRecord::title).toList()) + ": "
                    + one.symptom().sentence())
            .toList());
  }

  private static CaseRecord found(String title, Finding... findings) {
    Verdict verdict = new Verdict("check", false, List.of(findings));
    return one(title, CHECKS, List.of(exchange(null, List.of(verdict))));
  }

  private static CaseRecord silent(String title, String fault) {
    return one(title, CHECKS, List.of(exchange(fault, List.of())));
  }

  private static CaseRecord thrown(String title, @Nullable ProblemRecord problem) {
    return one(title, problem, List.of(exchange(null, List.of())));
  }

  private static ExchangeRecord exchange(@Nullable String fault, List<Verdict> verdicts) {
    return new ExchangeRecord(
        new ExchangeRecord.Origin("", "beeyard", "/hives"),
        new ExchangeRecord.Request(
            "GET", "http://127.0.0.1/hives", List.of(), BodyRecord.NONE, List.of()),
        new ExchangeRecord.Reply(200, "OK", List.of(), BodyRecord.NONE),
        Instant.EPOCH,
        1_000,
        fault,
        verdicts);
  }

  private static CaseRecord one(
      String title, @Nullable ProblemRecord problem, List<ExchangeRecord> exchanges) {
    return new CaseRecord(
        new CaseHead(
            RecordKind.CASE,
            "yard.HiveTest#" + title,
            "HiveTest",
            title,
            "HiveTest.java:3",
            "",
            ""),
        new CaseTiming(0, 1, Instant.EPOCH, 1_000, List.of()),
        new CaseEnding(Outcome.ERRORED, List.of(), problem),
        List.of(),
        new CaseTrail(exchanges, List.of(), "", List.of(), List.of(), List.of()),
        null);
  }
}
