package org.oddlantern.dist.failures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledForJreRange;
import org.junit.jupiter.api.condition.JRE;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.demo.beeyard.Beeyard;
import org.oddlantern.dist.Command;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.internal.run.BlindSpots;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.Runner;

/**
 * Takes each check of the demo out, one at a time, in the class file: then the places that it looked at are
 * watched less, those that it did not look at as before, and none is watched better.
 */
@EnabledForJreRange(min = JRE.JAVA_21) // once is enough, and it takes its time
class TakenOutIT {

  private static final String ROOM = "org.oddlantern.demo.suites.";

  /** Those with most kinds of checks; {@code -Dtaken.out=all} takes all, which takes two minutes. */
  private static final List<String> SOME =
      List.of("HiveRegisterTest", "InspectionTest", "StoreTest", "hive.UpdateHiveTest");

  private static final List<String> ALL = List.of(
      "HiveRegisterTest",
      "HiveRefusalTest",
      "InspectionTest",
      "ReadingTest",
      "SchemaTest",
      "StoreTest",
      "SeasonTest",
      "CallKindsTest",
      "hive.CreateHiveTest",
      "hive.UpdateHiveTest");

  /** It compares a header with what it has read from the body, so it looks at both. */
  private static final Set<String> LOOKS_AT_MORE = Set.of("whereItIs");

  private final List<String> wrong = new ArrayList<>();
  private int passed;
  private int told;

  @Test
  void eachCheckIsMissedWhereItLookedAndNowhereElse() throws Exception {
    Path jar = Command.demoJar("-tests.jar");
    for (String suite : "all".equals(System.getProperty("taken.out")) ? ALL : SOME) {
      try (Beeyard beeyard = Beeyard.start(0, 0, Set.of())) {
        takeOut(beeyard, jar, ROOM + suite);
      }
    }
    assertEquals("", String.join("\n", wrong));
    assertTrue(passed > 30, passed + " checks were taken out without a case that failed");
    assertTrue(told > passed / 2, "of " + passed + " only " + told + " were missed");
  }

  private void takeOut(Beeyard beeyard, Path jar, String suite) throws Exception {
    Map<String, Seen> before;
    List<WithoutCheck.Site> sites;
    try (WithoutCheck whole = new WithoutCheck(jar.toUri().toURL(), suite, -1)) {
      before = seen(beeyard, whole, jar, suite, "");
      sites = whole.sites();
    }
    for (WithoutCheck.Site site : sites) {
      Seen usual = before.get(site.method());
      if (usual == null || !usual.passed) {
        continue;
      }
      try (WithoutCheck without = new WithoutCheck(jar.toUri().toURL(), suite, site.number())) {
        Seen now = seen(beeyard, without, jar, suite, "#" + site.method()).get(site.method());
        if (now != null && now.passed) {
          compare(site, usual, now);
        }
      }
    }
  }

  private void compare(WithoutCheck.Site site, Seen usual, Seen now) {
    List<String> checks = new ArrayList<>(usual.checks);
    now.checks.forEach(checks::remove);
    checks.remove("taken out");
    String check = checks.isEmpty() ? "" : checks.get(0);
    if (check.isEmpty()) {
      return; // it was made more than once, or not at all
    }
    passed++;
    Set<String> less = usual.places.keySet().stream()
        .filter(place -> now.places.containsKey(place))
        .filter(place ->
            now.places.get(place).watch().compareTo(usual.places.get(place).watch()) > 0)
        .collect(Collectors.toSet());
    told += less.isEmpty() ? 0 : 1;
    for (String place : usual.places.keySet()) {
      WatchedPlace other = now.places.get(place);
      if (other == null) {
        continue;
      }
      if (other.watch().compareTo(usual.places.get(place).watch()) < 0) {
        wrong.add(site + " without " + check + ": " + place + " is watched better, "
            + usual.places.get(place) + " and then " + other);
      }
    }
    less.stream()
        .filter(
            place -> usual.places.get(place).carried().isEmpty()) // who took it is not there now
        .filter(place -> !LOOKS_AT_MORE.contains(site.method()))
        .filter(place -> !looksAt(check, place.substring(place.lastIndexOf(' ') + 1)))
        .forEach(place -> wrong.add(site + " without " + check + ": " + place
            + " is watched less, at which it did not look: " + usual.places.get(place)
            + " and then "
            + now.places.get(place)));
  }

  /** Whether a check, by its words, may look at a place. */
  private static boolean looksAt(String check, String place) {
    if (check.startsWith("status(")) {
      return place.equals("status");
    }
    if (check.startsWith("header(") || check.startsWith("contentType(")) {
      return !place.startsWith("$") && !place.equals("status");
    }
    if (check.startsWith("at(\"") || check.startsWith("atEach(\"")) {
      String path =
          check.replaceFirst("\\w+\\(\"([^\"]*)\".*", "$1").replaceAll("\\[-?\\d+]", "[*]");
      boolean plain = path.matches("\\$([.\\w]|\\[\\*])*");
      return place.startsWith("$") && (!plain || place.startsWith(path) || path.startsWith(place));
    }
    return !place.equals("status");
  }

  /** How the cases of a suite watch, by the name of the method. */
  private static Map<String, Seen> seen(
      Beeyard beeyard, ClassLoader loader, Path jar, String suite, String method) {
    List<RunEvent> events = new ArrayList<>();
    Settings settings = SettingsFile.onClassPath(loader)
        .movedTo(Map.of("beeyard", beeyard.address(), "store", beeyard.databaseAddress()));
    RunOrder order = new RunOrder(
        "taken out",
        new Planner(loader, List.of(new Place(jar))).plan(new Selection(List.of(suite + method))),
        settings,
        settings.environment(null),
        Map.of(),
        loader,
        "fennel",
        1,
        BlindSpots.ALL,
        false);
    new Runner(order, Clock.systemUTC()).run(List.of(events::add));
    Map<String, Seen> seen = new LinkedHashMap<>();
    for (RunEvent event : events) {
      if (event instanceof RunEvent.CaseFinished finished
          && finished.record().id().matches("\\Q" + suite + "#\\E\\w+")) {
        seen.put(name(finished.record().id()), Seen.of(finished.record()));
      } else if (event instanceof RunEvent.CaseExamined examined
          && seen.containsKey(name(examined.record().id()))) {
        seen.get(name(examined.record().id())).take(examined.record());
      }
    }
    return seen;
  }

  private static String name(String id) {
    return id.replaceAll(".*#", "");
  }

  /** How one case went, what it checked, and how it watches. */
  private static final class Seen {
    private final boolean passed;
    private final List<String> checks;
    private final Map<String, WatchedPlace> places = new TreeMap<>();

    private Seen(boolean passed, List<String> checks) {
      this.passed = passed;
      this.checks = checks;
    }

    static Seen of(CaseRecord record) {
      return new Seen(
          record.outcome() == Outcome.PASSED,
          Stream.concat(
                  record.exchanges().stream().flatMap(one -> one.verdicts().stream()),
                  record.queries().stream().flatMap(one -> one.verdicts().stream()))
              .map(
                  verdict -> verdict.check().replaceAll("\\b\\d+\\b", "0")) // hives are numbered on
              .toList());
    }

    void take(ExaminedRecord record) {
      for (ExaminedAnswer answer : record.answers()) {
        for (WatchedPlace place : answer.places()) {
          places.put(
              answer.operation().line() + " " + answer.operation().status() + " " + place.place(),
              place);
        }
      }
    }
  }
}
