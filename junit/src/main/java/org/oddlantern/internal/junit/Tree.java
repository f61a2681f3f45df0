package org.oddlantern.internal.junit;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.platform.engine.TestDescriptor;
import org.junit.platform.engine.UniqueId;
import org.junit.platform.engine.support.descriptor.ClassSource;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.NothingSelected;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.Planner;

/** Suites, their sections, cases and samples below one root. */
final class Tree {

  private final TestDescriptor root;
  private final Map<Class<?>, TestDescriptor> suites = new LinkedHashMap<>();
  private final Map<UniqueId, TestDescriptor> nodes = new HashMap<>();

  Tree(TestDescriptor root) {
    this.root = root;
    known(root);
  }

  private void known(TestDescriptor parent) {
    for (TestDescriptor child : parent.getChildren()) {
      nodes.put(child.getUniqueId(), child);
      known(child);
      child
          .getSource()
          .filter(ClassSource.class::isInstance)
          .map(ClassSource.class::cast)
          .ifPresent(source -> suites.put(source.getJavaClass(), child));
    }
  }

  /**
   * Adds what is wanted. Cases that a plan would refuse are added as they stand: the run tells what is
   * wrong with them.
   */
  void grow(Wanted wanted, Planners planners) {
    Planner planner = planners.of(wanted);
    try {
      List<CaseDefinition> found = planner.found(wanted.selection());
      if (found.isEmpty()) {
        return;
      }
      planned(wanted, planner, found).forEach(this::add);
    } catch (NothingSelected e) {
      return;
    }
    if (root instanceof SuitesDescriptor all) {
      all.planBy(planner);
    }
  }

  private static List<CaseDefinition> planned(
      Wanted wanted, Planner planner, List<CaseDefinition> found) {
    try {
      return planner.plan(wanted.selection()).cases().stream()
          .filter(one -> !one.needed())
          .map(PlannedCase::definition)
          .toList();
    } catch (PlanRefused | SettingsProblem e) {
      return found;
    }
  }

  /** Adds a case, with what is around it; what is there already stays. */
  TestDescriptor add(CaseDefinition one) {
    TestDescriptor suite = suite(one.suite());
    if (one.id().sample().isEmpty()) {
      return added(suite, Node.of(suite.getUniqueId(), one));
    }
    TestDescriptor samples = added(suite, Node.samples(suite.getUniqueId(), one));
    return added(samples, Node.sample(samples.getUniqueId(), one));
  }

  /** The node of a suite or section. */
  TestDescriptor suite(Class<?> type) {
    TestDescriptor known = suites.get(type);
    if (known != null) {
      return known;
    }
    Class<?> outer = type.getEnclosingClass();
    TestDescriptor parent = outer == null ? root : suite(outer);
    TestDescriptor node = added(parent, Node.suite(parent.getUniqueId(), type));
    suites.put(type, node);
    return node;
  }

  private TestDescriptor added(TestDescriptor parent, TestDescriptor node) {
    TestDescriptor known = nodes.putIfAbsent(node.getUniqueId(), node);
    if (known != null) {
      return known;
    }
    parent.addChild(node);
    return node;
  }
}
