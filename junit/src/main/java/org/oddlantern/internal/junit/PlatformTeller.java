package org.oddlantern.internal.junit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.platform.engine.EngineExecutionListener;
import org.junit.platform.engine.TestDescriptor;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.support.descriptor.ClassSource;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RedNames;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.opentest4j.AssertionFailedError;
import org.opentest4j.TestAbortedException;

/**
 * Tells the platform what happens in a run. Cases that nobody asked for but that others need, and supplies
 * that fail, are added to the tree; what is left behind fails the suite that made it, or is an entry of its
 * own where that has ended already.
 */
final class PlatformTeller implements RunListener {

  private final TestDescriptor root;
  private final EngineExecutionListener platform;
  private final Tree tree;
  private final String part;
  private final Map<String, TestDescriptor> cases = new HashMap<>();
  private final Set<TestDescriptor> nodes = new HashSet<>();
  private final Set<TestDescriptor> started = new HashSet<>();
  private final Set<TestDescriptor> open = new LinkedHashSet<>();
  private final Set<TestDescriptor> registered = new HashSet<>();
  private final Map<TestDescriptor, List<String>> leftBehind = new LinkedHashMap<>();
  private final Map<String, Integer> others = new HashMap<>();
  private final Map<TestDescriptor, Integer> awaited = new HashMap<>();
  private final RunFolder folder;
  private final RedNames red = new RedNames();

  PlatformTeller(
      TestDescriptor root, EngineExecutionListener platform, Plan plan, RunFolder folder) {
    this.folder = folder;
    this.root = root;
    this.platform = platform;
    this.tree = new Tree(root);
    this.part = plan.part().toString();
    register(root);
    for (PlannedCase one : plan.cases()) {
      TestDescriptor node = tree.add(one.definition());
      if (cases.put(one.definition().id().toString(), node) == null) {
        nodes.add(node);
        around(node).forEach(parent -> awaited.merge(parent, 1, Integer::sum));
      }
    }
    leaveOut(root);
  }

  private void register(TestDescriptor node) {
    registered.add(node);
    node.getChildren().forEach(this::register);
  }

  @Override
  public void hear(RunEvent event) {
    if (event instanceof RunEvent.CaseBegan began) {
      finishWhatIsDone();
      TestDescriptor node = cases.get(began.id());
      if (node != null) {
        start(node);
      }
    } else if (event instanceof RunEvent.CaseFinished finished
        && finished.record().counts()) {
      tell(finished.record());
    } else if (event instanceof RunEvent.PutBack back && back.leftBehind()) {
      leftBehind
          .computeIfAbsent(suite(back.id()), key -> new ArrayList<>())
          .add("left behind by " + back.id() + ": " + back.deed() + ": " + back.problem());
    }
  }

  /** What holds a node, from the innermost to the root. */
  private static List<TestDescriptor> around(TestDescriptor node) {
    List<TestDescriptor> around = new ArrayList<>();
    for (Optional<TestDescriptor> each = node.getParent();
        each.isPresent();
        each = each.get().getParent()) {
      around.add(each.get());
    }
    return around;
  }

  @Override
  public boolean hearsBeginnings() {
    return true;
  }

  private void tell(CaseRecord one) {
    TestDescriptor node = one.kind() == RecordKind.CASE ? cases.get(one.id()) : null;
    TestDescriptor told = node == null ? other(one) : node;
    if (node != null) {
      around(node).forEach(parent -> awaited.merge(parent, -1, Integer::sum));
    }
    red.add(one);
    if (red.blocked(one)) {
      end(told, TestExecutionResult.aborted(new TestAbortedException(why(one))));
      return;
    }
    switch (one.outcome()) {
      case SKIPPED, PENDING -> skip(told, why(one));
      case KNOWN_FAULT ->
        end(told, TestExecutionResult.aborted(new TestAbortedException(why(one))));
      case PASSED -> end(told, TestExecutionResult.successful());
      default -> end(told, TestExecutionResult.failed(CaseFailure.of(one, folder)));
    }
  }

  private static String why(CaseRecord one) {
    ProblemRecord problem = one.problem();
    String message = problem == null ? "" : problem.message();
    return one.outcome() == Outcome.KNOWN_FAULT
        ? "known fault " + one.knownFault() + ": " + message
        : one.outcome().word() + (message.isEmpty() ? "" : ": " + message);
  }

  /** A supply that failed, or a case whose name hides a secret. */
  private TestDescriptor other(CaseRecord one) {
    TestDescriptor suite = suite(one.id());
    int number = others.merge(one.id(), 1, Integer::sum);
    Node node = Node.other(
        suite.getUniqueId(),
        one.title() + (number == 1 ? "" : " (" + number + ")"),
        suite.getSource().orElse(null));
    suite.addChild(node);
    return node;
  }

  private TestDescriptor suite(String id) {
    String name = id.replaceAll("#.*", "");
    return cases.values().stream()
        .map(PlatformTeller::suiteOf)
        .filter(node -> name(node).equals(name))
        .findFirst()
        .orElse(root);
  }

  private static TestDescriptor suiteOf(TestDescriptor one) {
    TestDescriptor node = one;
    while (name(node).isEmpty() && node.getParent().isPresent()) {
      node = node.getParent().get();
    }
    return node;
  }

  private static String name(TestDescriptor node) {
    return node.getSource()
        .filter(ClassSource.class::isInstance)
        .map(source -> ((ClassSource) source).getClassName())
        .orElse("");
  }

  private void skip(TestDescriptor node, String why) {
    node.getParent().ifPresent(this::start);
    announce(node);
    platform.executionSkipped(node, why);
  }

  private void end(TestDescriptor node, TestExecutionResult result) {
    start(node);
    platform.executionFinished(node, result);
  }

  /** A node begins after those around it. */
  private void start(TestDescriptor node) {
    if (node.equals(root) || started.contains(node)) {
      return;
    }
    node.getParent().ifPresent(this::start);
    announce(node);
    started.add(node);
    if (!node.isTest()) {
      open.add(node);
    }
    platform.executionStarted(node);
    leaveOut(node);
  }

  /** What was found there and does not run, since another part of the run has it. */
  private void leaveOut(TestDescriptor parent) {
    for (TestDescriptor child : List.copyOf(parent.getChildren())) {
      if (registered.contains(child) && !awaited.containsKey(child) && !nodes.contains(child)) {
        platform.executionSkipped(child, "it is in another part of the run than " + part);
      }
    }
  }

  private void announce(TestDescriptor node) {
    if (registered.add(node)) {
      node.getParent().filter(parent -> !registered.contains(parent)).ifPresent(this::announce);
      platform.dynamicTestRegistered(node);
    }
  }

  /** What holds cases ends before the next case begins, since builds count what they hear in between. */
  private void finishWhatIsDone() {
    for (TestDescriptor node : List.copyOf(open)) {
      if (awaited.getOrDefault(node, 0) == 0) {
        finish(node);
      }
    }
  }

  /** Whatever is still open ends; what was left behind by what has ended is told by itself. */
  void finish() {
    root.getChildren().forEach(this::finish);
    leftBehind.forEach((suite, left) -> {
      Node entry = Node.other(
          root.getUniqueId(),
          "left behind by " + suite.getDisplayName(),
          suite.getSource().orElse(null));
      root.addChild(entry);
      end(entry, TestExecutionResult.failed(failure(String.join("\n", left))));
    });
  }

  private void finish(TestDescriptor node) {
    if (!open.remove(node)) {
      return;
    }
    node.getChildren().forEach(this::finish);
    List<String> own = leftBehind.remove(node);
    platform.executionFinished(
        node,
        own == null
            ? TestExecutionResult.successful()
            : TestExecutionResult.failed(failure(String.join("\n", own))));
  }

  private static Throwable failure(String message) {
    AssertionFailedError failure = new AssertionFailedError(message);
    failure.setStackTrace(new StackTraceElement[0]);
    return failure;
  }
}
