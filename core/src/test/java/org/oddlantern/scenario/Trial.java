package org.oddlantern.scenario;

import java.net.URISyntaxException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.run.BlindSpots;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;
import org.oddlantern.testing.TestService;

/** A run of some suites of these tests against a service, with everything it told. */
record Trial(RunResult result, List<RunEvent> events) {

  /** Runs what is selected on the service "api". */
  static Trial of(TestService service, List<String> selected, RunListener... more) {
    Settings settings = SettingsFile.onClassPath(Trial.class.getClassLoader())
        .movedTo(Map.of("api", service.address()));
    return on(settings, settings.environment(null), selected, more);
  }

  /** Runs what is selected on the service "api" in several lanes. */
  static Trial inLanes(int lanes, TestService service, List<String> selected) {
    return inLanes(lanes, service.address(), selected);
  }

  /** Runs what is selected on the service "api" at an address in several lanes. */
  static Trial inLanes(int lanes, String address, List<String> selected) {
    Settings settings =
        SettingsFile.onClassPath(Trial.class.getClassLoader()).movedTo(Map.of("api", address));
    return on(settings, settings.environment(null), selected, lanes, null);
  }

  /** Runs what is selected on the service "api" in several lanes, in an order drawn from a seed. */
  static Trial shuffled(String seed, int lanes, String address, List<String> selected) {
    Settings settings =
        SettingsFile.onClassPath(Trial.class.getClassLoader()).movedTo(Map.of("api", address));
    RunOrder plain = order(settings, settings.environment(null), selected, lanes, BlindSpots.NONE);
    RunOrder order = new RunOrder(
        plain.name(),
        plain.plan(),
        plain.settings(),
        plain.environment(),
        plain.variables(),
        plain.loader(),
        seed,
        lanes,
        BlindSpots.NONE,
        true);
    List<RunEvent> events = new ArrayList<>();
    RunListener listener = events::add;
    return new Trial(new Runner(order, Clock.systemUTC()).run(List.of(listener)), events);
  }

  /** Runs what is selected on the service "api" at an address, and does what passed again. */
  static Trial seeking(BlindSpots wanted, int lanes, String address, List<String> selected) {
    Settings settings =
        SettingsFile.onClassPath(Trial.class.getClassLoader()).movedTo(Map.of("api", address));
    return seeking(wanted, lanes, settings, selected);
  }

  /** The same with settings of its own. */
  static Trial seeking(BlindSpots wanted, int lanes, Settings settings, List<String> selected) {
    List<RunEvent> events = new ArrayList<>();
    RunOrder order = order(settings, settings.environment(null), selected, lanes, wanted);
    RunListener listener = events::add;
    return new Trial(new Runner(order, Clock.systemUTC()).run(List.of(listener)), events);
  }

  /** Runs what is selected on the service "api" in two lanes, with a log of connections. */
  static Trial logged(ConnectionLog connections, TestService service, String selected) {
    Settings settings = SettingsFile.onClassPath(Trial.class.getClassLoader())
        .movedTo(Map.of("api", service.address()));
    return on(settings, settings.environment(null), List.of(selected), 2, connections);
  }

  /** Runs what is selected on an environment. */
  static Trial on(
      Settings settings,
      EnvironmentSettings environment,
      List<String> selected,
      RunListener... more) {
    return on(settings, environment, selected, 1, null, more);
  }

  private static Trial on(
      Settings settings,
      EnvironmentSettings environment,
      List<String> selected,
      int lanes,
      @Nullable ConnectionLog connections,
      RunListener... more) {
    List<RunEvent> events = new ArrayList<>();
    List<RunListener> listeners = new ArrayList<>(List.of(more));
    listeners.add(events::add);
    RunOrder order = order(settings, environment, selected, lanes, BlindSpots.NONE);
    return new Trial(new Runner(order, Clock.systemUTC()).run(listeners, connections), events);
  }

  private static RunOrder order(
      Settings settings,
      EnvironmentSettings environment,
      List<String> selected,
      int lanes,
      BlindSpots wanted) {
    ClassLoader loader = Trial.class.getClassLoader();
    return new RunOrder(
        "trial",
        new Planner(loader, List.of(new Place(here()))).plan(new Selection(selected)),
        settings,
        environment,
        Map.of(),
        loader,
        "seed",
        lanes,
        wanted,
        false);
  }

  /** The cases, and the supplies that failed. */
  List<CaseRecord> cases() {
    return entries().stream().filter(CaseRecord::counts).toList();
  }

  /** What supplies made. */
  List<CaseRecord> supplied() {
    return entries().stream().filter(one -> !one.counts()).toList();
  }

  private List<CaseRecord> entries() {
    return events.stream()
        .filter(RunEvent.CaseFinished.class::isInstance)
        .map(event -> ((RunEvent.CaseFinished) event).record())
        .toList();
  }

  CaseRecord one(String method) {
    return cases().stream()
        .filter(record -> record.id().endsWith("#" + method))
        .findFirst()
        .orElseThrow();
  }

  /** The outcomes in the order in which the cases ran: {@code passed make, failed read}. */
  String outcomes() {
    return cases().stream()
        .map(record -> record.word() + " " + record.id().replaceAll(".*#", ""))
        .collect(Collectors.joining(", "));
  }

  List<RunEvent.PutBack> putBacks() {
    return events.stream()
        .filter(RunEvent.PutBack.class::isInstance)
        .map(RunEvent.PutBack.class::cast)
        .toList();
  }

  static Path here() {
    try {
      return Path.of(
          Trial.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    } catch (URISyntaxException e) {
      throw new IllegalStateException("the test classes lie in no folder: " + e.getMessage(), e);
    }
  }
}
