package org.oddlantern.internal.junit;

import java.io.IOException;
import java.time.Clock;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.junit.platform.engine.EngineExecutionListener;
import org.junit.platform.engine.TestDescriptor;
import org.junit.platform.engine.TestExecutionResult;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.plan.NothingSelected;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.console.CapturedPrinting;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;
import org.oddlantern.schema.internal.KnownSchemas;

/** Runs what filters have left of a tree, and tells the platform. */
final class EngineRun {

  private final SuitesDescriptor root;
  private final EngineExecutionListener platform;
  private final Parameters parameters;

  EngineRun(SuitesDescriptor root, EngineExecutionListener platform, Parameters parameters) {
    this.root = root;
    this.platform = platform;
    this.parameters = parameters;
  }

  void run() {
    platform.executionStarted(root);
    Set<String> ids = new LinkedHashSet<>();
    Set<String> entries = new LinkedHashSet<>();
    gather(root, ids, entries);
    Planner planner = root.planner();
    TestExecutionResult end = TestExecutionResult.successful();
    if (planner != null && !ids.isEmpty()) {
      end = ran(planner, new Selection(List.copyOf(entries), List.of(), List.of(), ids));
    }
    platform.executionFinished(root, end);
  }

  private static void gather(TestDescriptor node, Set<String> ids, Set<String> entries) {
    if (node instanceof Node one && one.caseId() != null) {
      CaseId id = one.caseId();
      ids.add(id.toString());
      entries.add(id.suite() + "#" + id.method());
    }
    node.getChildren().forEach(child -> gather(child, ids, entries));
  }

  private TestExecutionResult ran(Planner planner, Selection selection) {
    ClassLoader loader = Thread.currentThread().getContextClassLoader();
    RunOrder order;
    try {
      Settings settings = parameters.settings(loader);
      KnownSchemas schemas =
          settings.schemas(loader, List.of(parameters.environment(settings)), System.getenv());
      Plan plan = planner.plan(selection, parameters.part(), schemas::named);
      order = parameters.order(plan, settings, loader);
    } catch (PlanRefused | SettingsProblem | NothingSelected e) {
      return new Refusal(root, platform).told(e);
    }
    return ran(order);
  }

  private TestExecutionResult ran(RunOrder order) {
    PlatformTeller teller = new PlatformTeller(root, platform, order.plan(), parameters.out());
    try {
      RunResult result = ran(order, teller);
      return result.problems().isEmpty()
          ? TestExecutionResult.successful()
          : TestExecutionResult.failed(
              new IllegalStateException(String.join("\n", result.problems())));
    } catch (IOException | SettingsProblem e) {
      return TestExecutionResult.failed(e);
    }
  }

  private RunResult ran(RunOrder order, PlatformTeller teller) throws IOException {
    Runner runner = new Runner(order, Clock.systemUTC());
    JournalWriter journal = Journals.in(parameters.out()).begun();
    RunResult result;
    try (journal;
        ConnectionLog connections = parameters.connections(journal.file());
        CapturedPrinting printing = CapturedPrinting.begun()) {
      result = runner.run(List.of(journal, teller), connections);
      teller.finish();
    }
    runner.hideLateSecrets(journal.file());
    return result;
  }
}
