package org.oddlantern.junit;

import static org.junit.jupiter.api.Assertions.*;
import static org.junit.platform.engine.discovery.DiscoverySelectors.*;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.platform.engine.DiscoverySelector;
import org.junit.platform.engine.TestDescriptor;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.UniqueId;
import org.junit.platform.engine.support.descriptor.MethodSource;
import org.junit.platform.testkit.engine.EngineExecutionResults;
import org.junit.platform.testkit.engine.EngineTestKit;
import org.junit.platform.testkit.engine.Event;
import org.oddlantern.junit.sample.LeftBehind;
import org.oddlantern.junit.sample.MadeHives;
import org.oddlantern.junit.sample.TakenHives;
import org.oddlantern.junit.sample.TakesLeftBehind;
import org.oddlantern.junit.sample.Unplannable;
import org.opentest4j.AssertionFailedError;

/** Suites as the JUnit Platform finds, runs and shows them. */
class SuiteEngineTest {

  @TempDir
  private Path out;

  @Test
  void everyOutcomeIsToldInThePlatformsWords() {
    EngineExecutionResults results = run(selectClass(TakenHives.class));
    assertEquals(
        new TreeMap<>(Map.of(
            "a hive is registered", "SUCCESSFUL",
            "the hive can be read back", "SUCCESSFUL",
            "the hive has another label", "FAILED",
            "a no such hive is not found", "SUCCESSFUL",
            "a gone hive is not found", "SUCCESSFUL",
            "a hive is weighed", "skipped: the scales are being repaired",
            "a hive is sold", "pending: it is still to be written",
            "labels are unique", "ABORTED",
            "a hive is dropped", "FAILED",
            "a dropped hive is picked up", "ABORTED")),
        outcomes(results));
  }

  @Test
  void aFailureBringsBothSidesAndItsLine() {
    Event failed = run(selectMethod(TakenHives.class, "otherLabel")).testEvents().failed().stream()
        .findFirst()
        .orElseThrow();
    AssertionFailedError error = (AssertionFailedError)
        failed.getRequiredPayload(TestExecutionResult.class).getThrowable().orElseThrow();
    assertEquals(
        List.of("$.label  \"Heather\"", "$.kind  \"stack\""),
        error.getExpected().getStringRepresentation().lines().toList());
    assertTrue(
        error.getActual().getStringRepresentation().startsWith("$.label  \"Foxglove\"\n$.kind  "));
    StackTraceElement line = error.getStackTrace()[0];
    assertEquals("TakenHives.java", line.getFileName());
    assertEquals("otherLabel", line.getMethodName());
    assertEquals(33, line.getLineNumber());
    assertEquals(
        "otherLabel",
        ((MethodSource) failed.getTestDescriptor().getSource().orElseThrow()).getMethodName());
  }

  @Test
  void oneSampleRunsAlone() {
    Map<String, String> all = outcomes(run(selectMethod(TakenHives.class, "notFound")));
    assertEquals(2, all.size());
    String id = run(selectMethod(TakenHives.class, "notFound")).testEvents().started().stream()
        .map(event -> event.getTestDescriptor())
        .filter(node -> node.getDisplayName().contains("gone"))
        .map(TestDescriptor::getUniqueId)
        .map(UniqueId::toString)
        .findFirst()
        .orElseThrow();
    assertEquals(
        Map.of("a gone hive is not found", "SUCCESSFUL"), outcomes(run(selectUniqueId(id))));
  }

  @Test
  void aSectionRunsAlone() {
    EngineExecutionResults results =
        run(selectNestedClass(List.of(TakenHives.class), TakenHives.Broken.class));
    assertEquals(
        Map.of("a hive is dropped", "FAILED", "a dropped hive is picked up", "ABORTED"),
        outcomes(results));
    Event blocked = results.testEvents().aborted().stream()
        .filter(event -> event.getTestDescriptor().getDisplayName().contains("picked up"))
        .findFirst()
        .orElseThrow();
    String why = blocked
        .getRequiredPayload(TestExecutionResult.class)
        .getThrowable()
        .orElseThrow()
        .getMessage();
    assertTrue(why.startsWith("blocked: "), why);
    assertTrue(why.contains("TakenHives$Broken#dropped"), why);
  }

  @Test
  void aPlanProblemFailsOneCaseAndSkipsTheOthers() {
    EngineExecutionResults results = run(selectClass(Unplannable.class));
    assertEquals(1, results.testEvents().failed().count());
    assertEquals(1, results.testEvents().skipped().count());
    String why = results.testEvents().failed().stream()
        .findFirst()
        .orElseThrow()
        .getRequiredPayload(TestExecutionResult.class)
        .getThrowable()
        .orElseThrow()
        .getMessage();
    assertTrue(why.startsWith("the plan has a problem; nothing was sent:"), why);
  }

  @Test
  void partsAreCompleteAndDisjoint() {
    Map<String, Integer> ran = new TreeMap<>();
    for (int number = 1; number <= 3; number++) {
      outcomes(EngineTestKit.engine("odd-lantern")
              .selectors(selectClass(TakenHives.class), selectClass(MadeHives.class))
              .configurationParameter("odd-lantern.out", out.toString())
              .configurationParameter("odd-lantern.part", number + "/3")
              .execute())
          .forEach((name, outcome) -> {
            if (!outcome.startsWith("it is in another part of the run than ")) {
              ran.merge(name, 1, Integer::sum);
            }
          });
    }
    assertEquals(Set.of(1), Set.copyOf(ran.values()), ran::toString);
    assertEquals(10, ran.size());
  }

  @Test
  void whatIsLeftBehindFailsItsSuiteOrIsAnEntryOfItsOwn() {
    EngineExecutionResults results = EngineTestKit.engine("odd-lantern")
        .selectors(selectClass(LeftBehind.class), selectClass(TakesLeftBehind.class))
        .configurationParameter("odd-lantern.out", out.toString())
        .execute();
    assertEquals(2, results.testEvents().succeeded().count());
    List<Event> failed = results.allEvents().failed().stream().toList();
    assertEquals(1, failed.size());
    assertEquals("left behind by LeftBehind", failed.get(0).getTestDescriptor().getDisplayName());
    String why = failed
        .get(0)
        .getRequiredPayload(TestExecutionResult.class)
        .getThrowable()
        .orElseThrow()
        .getMessage();
    assertTrue(why.contains("LeftBehind#made: PUT http://127.0.0.1:"), why);
  }

  @Test
  void classesOfOtherEnginesAreNotItsOwn() {
    assertEquals(Map.of(), outcomes(run(selectClass(SuiteEngineTest.class))));
  }

  @Test
  void aFolderOfClassesIsFound() throws Exception {
    Path root = Path.of(
        MadeHives.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    EngineExecutionResults results = EngineTestKit.engine("odd-lantern")
        .selectors(selectClasspathRoots(Set.of(root)).toArray(DiscoverySelector[]::new))
        .filters((org.junit.platform.engine.Filter<?>)
            org.junit.platform.engine.discovery.ClassNameFilter.includeClassNamePatterns(
                ".*MadeHives"))
        .configurationParameter("odd-lantern.out", out.toString())
        .execute();
    assertEquals(Map.of("a hive is registered", "SUCCESSFUL"), outcomes(results));
  }

  @Test
  void aLogOfConnectionsIsKeptIfItIsAskedFor() throws Exception {
    for (String asked : List.of("true", "false", "maybe")) {
      EngineTestKit.engine("odd-lantern")
          .selectors(selectClass(MadeHives.class))
          .configurationParameter("odd-lantern.out", out.resolve(asked).toString())
          .configurationParameter("odd-lantern.debug", asked)
          .execute()
          .containerEvents()
          .assertStatistics(events -> events.failed(asked.equals("maybe") ? 1 : 0));
    }
    try (Stream<Path> files = Files.walk(out)) {
      List<Path> logs = files.filter(file -> file.endsWith("connections.log")).toList();
      assertEquals(1, logs.size(), logs::toString);
      assertTrue(logs.get(0).startsWith(out.resolve("true").resolve("journals")), logs::toString);
      assertTrue(Files.readString(logs.get(0)).contains("received status 201"));
    }
  }

  @Test
  void whatNobodyWouldNoticeIsToldIfItIsAskedFor() throws Exception {
    for (String asked : List.of("true", "all", "false", "some")) {
      EngineTestKit.engine("odd-lantern")
          .selectors(selectClass(MadeHives.class))
          .configurationParameter("odd-lantern.out", out.resolve(asked).toString())
          .configurationParameter("odd-lantern.blind-spots", asked)
          .execute()
          .testEvents()
          .assertStatistics(events -> events.failed(asked.equals("some") ? 1 : 0));
    }
    for (String asked : List.of("true", "all", "false")) {
      try (Stream<Path> files = Files.walk(out.resolve(asked))) {
        long told = files
            .filter(file -> file.toString().endsWith("journal.jsonl"))
            .filter(file -> contents(file).contains("\"event\":\"case-examined\""))
            .count();
        assertEquals(asked.equals("false") ? 0 : 1, told, asked);
      }
    }
  }

  private static String contents(Path file) {
    try {
      return Files.readString(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private EngineExecutionResults run(DiscoverySelector selector) {
    return EngineTestKit.engine("odd-lantern")
        .selectors(selector)
        .configurationParameter("odd-lantern.out", out.toString())
        .execute();
  }

  private static Map<String, String> outcomes(EngineExecutionResults results) {
    Map<String, String> outcomes = new TreeMap<>();
    results.testEvents().stream().forEach(event -> {
      String name = event.getTestDescriptor().getDisplayName();
      switch (event.getType()) {
        case SKIPPED -> outcomes.put(name, event.getRequiredPayload(String.class));
        case FINISHED -> {
          TestExecutionResult result = event.getRequiredPayload(TestExecutionResult.class);
          outcomes.put(name, result.getStatus().name());
        }
        default -> {}
      }
    });
    return outcomes;
  }
}
