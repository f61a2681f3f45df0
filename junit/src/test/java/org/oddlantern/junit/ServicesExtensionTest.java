package org.oddlantern.junit;

import static org.junit.jupiter.api.Assertions.*;
import static org.junit.platform.engine.discovery.DiscoverySelectors.selectClass;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.launcher.Launcher;
import org.junit.platform.launcher.LauncherDiscoveryRequest;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestIdentifier;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.junit.sample.Beeyard;
import org.oddlantern.junit.sample.MadeHives;
import org.oddlantern.junit.sample.PlainJUnit;

/** Plain JUnit tests and suites in one launch: every test in the platform's words and in one report. */
class ServicesExtensionTest {

  @TempDir
  private Path out;

  @Test
  void testsAndSuitesStandInOneReport() throws IOException {
    Map<String, String> told = new TreeMap<>();
    try (Beeyard yard = new Beeyard()) {
      LauncherDiscoveryRequest request = LauncherDiscoveryRequestBuilder.request()
          .selectors(selectClass(PlainJUnit.class), selectClass(MadeHives.class))
          .configurationParameter("odd-lantern.out", out.toString())
          .configurationParameter("odd-lantern.set", "services.beeyard.url=" + yard.address())
          .build();
      Launcher launcher = LauncherFactory.create();
      launcher.execute(request, new Told(told));
      assertEquals(1, yard.hives(), "only what could not be put back is left");
    }
    assertEquals("", told.get("registersAHive(Service, Fresh)"));
    assertEquals("", told.get("[1] id=no-such"), told::toString);
    assertEquals("", told.get("a hive is registered"));
    assertTrue(told.get("failsACheck(Environment)").contains("wanted  200"), told::toString);
    assertTrue(told.get("overlooksAnErrorStatus(Service)").contains("GET"), told::toString);
    assertTrue(told.get("leavesSomethingBehind(Service)").startsWith("left behind: PUT "));
    assertTrue(told.get("isNotMeantForHere()").contains("no bees here"));

    RunData run = RunData.of(new Journal(out.resolve("journal.jsonl")));
    Map<String, String> outcomes = new TreeMap<>();
    for (CaseRecord one : run.cases()) {
      outcomes.put(one.id().replaceAll(".*\\.", ""), one.word());
    }
    assertEquals(
        new TreeMap<>(Map.of(
            "MadeHives#register", "passed",
            "PlainJUnit#registersAHive", "passed",
            "PlainJUnit#isNotFound[1]", "passed",
            "PlainJUnit#isNotFound[2]", "passed",
            "PlainJUnit#failsACheck", "failed",
            "PlainJUnit#overlooksAnErrorStatus", "failed",
            "PlainJUnit#failsByJUnit", "failed",
            "PlainJUnit#isNotMeantForHere", "skipped",
            "PlainJUnit#leavesSomethingBehind", "passed")),
        outcomes);
    assertEquals(1, run.leftBehind().size());
    assertNotNull(run.ended());
    String page = Files.readString(out.resolve("report/index.html"));
    assertTrue(page.contains("PlainJUnit") && page.contains("MadeHives"));
    try (var files = Files.walk(out)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        assertFalse(Files.readString(file).contains("queen-of-1987"), file::toString);
      }
    }
  }

  @Test
  void aSecondRunReplacesTheFirst() throws IOException {
    for (Class<?> one : List.of(MadeHives.class, MadeHives.class)) {
      LauncherFactory.create()
          .execute(LauncherDiscoveryRequestBuilder.request()
              .selectors(selectClass(one))
              .configurationParameter("odd-lantern.out", out.toString())
              .build());
    }
    assertEquals(
        1, RunData.of(new Journal(out.resolve("journal.jsonl"))).cases().size());
  }

  /**
   * Keeps how each test ended.
   *
   * @param told by display name: nothing, or a message
   */
  private record Told(Map<String, String> told) implements TestExecutionListener {
    @Override
    public void executionFinished(TestIdentifier test, TestExecutionResult result) {
      if (test.isTest()) {
        told.put(
            test.getDisplayName(),
            result
                .getThrowable()
                .map(thrown -> String.valueOf(thrown.getMessage()))
                .orElse(""));
      }
    }
  }
}
