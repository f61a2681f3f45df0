package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.html.ReportScope;

/** What a folder of journals tells of cases that come and go, turn, and grow slower. */
class EarlierRunsTest {

  private static final int RUNS = 8;

  @TempDir
  Path folder;

  @Test
  void unstableAndSlowerCasesAreToldAndCalmOnesAreNot() throws Exception {
    for (int run = 0; run < RUNS; run++) {
      made(run).written(folder.resolve("run-" + run + ".jsonl"));
    }
    Files.writeString(folder.resolve("broken.jsonl"), "no journal\n");
    RunHistory history = RunHistory.in(folder);
    assertEquals(RUNS, history.runs().size());
    assertEquals(1, history.problems().size());
    CaseHistory turning = line(history, "turning");
    assertTrue(turning.unstable());
    assertEquals(RUNS / 2, turning.broken());
    assertFalse(line(history, "broken").unstable(), "it broke once and stayed so");
    assertFalse(line(history, "calm").unstable());
    assertTrue(line(history, "lucky").unstable());
    assertEquals(0, line(history, "lucky").broken());
    assertTrue(line(history, "slow").slowdown() > 1.9);
    assertEquals(1.0, line(history, "calm").slowdown(), 0.01);
    assertEquals(2, line(history, "late").times());
    PastRun last = history.runs().get(RUNS - 1);
    assertEquals(List.of(6, 3, 2), List.of(last.cases(), last.passed(), last.broken()));
    assertTrue(last.isWhole());

    RunData now = made(RUNS).written(folder.resolve("now.json"));
    HtmlReport.write(
        now,
        new Journal(folder.resolve("now.json")),
        folder.resolve("report"),
        new ReportScope(PageDetail.ALL, null, history));
    String page = Files.readString(folder.resolve("report/history.html"));
    for (String part : List.of(
        "passed as a whole in 1 of 8 runs",
        "3 of 6 cases passed",
        "unstable: failed in 4 of 8 runs",
        "failed in 6 of 8 runs",
        "unstable: only at a later try in 1 of 8 runs",
        "broken.jsonl")) {
      assertTrue(page.contains(part), () -> part + " is not in\n" + page);
    }
  }

  @Test
  void anEmptyFolderHasNoRuns() throws Exception {
    assertEquals(List.of(), RunHistory.in(folder).runs());
    assertEquals(List.of(), RunHistory.in(folder.resolve("nowhere")).runs());
  }

  private static MadeRun made(int run) {
    MadeRun made = new MadeRun("k" + run)
        .at(MadeRun.WHEN.plusSeconds(3_600L * run))
        .with("turning", run % 2 == 1 ? Outcome.FAILED : Outcome.PASSED, 5)
        .with("broken", run >= 2 ? Outcome.ERRORED : Outcome.PASSED, 5)
        .with("calm", Outcome.PASSED, 100)
        .with("slow", Outcome.PASSED, run < RUNS / 2 ? 100 : 250);
    if (run == 3) {
      made.with("lucky", Outcome.PASSED, 5, Mark.FLAKY);
    } else {
      made.with("lucky", Outcome.PASSED, 5, run == 7 ? Mark.UNPROVEN : Mark.NEEDED);
    }
    return run >= 6 ? made.with("late", Outcome.PASSED, 1) : made;
  }

  private static CaseHistory line(RunHistory history, String name) {
    return history.cases().stream()
        .filter(one -> one.id().endsWith("#" + name))
        .findFirst()
        .orElseThrow();
  }
}
