package org.oddlantern.internal.junit;

import org.jspecify.annotations.Nullable;
import org.junit.platform.engine.UniqueId;
import org.junit.platform.engine.support.descriptor.EngineDescriptor;
import org.oddlantern.internal.plan.Planner;

/** The root of all suites, with what is known since they were looked for. */
final class SuitesDescriptor extends EngineDescriptor {

  private @Nullable Planner planner;

  SuitesDescriptor(UniqueId id) {
    super(id, "Odd Lantern");
  }

  /** Who plans what is left of the tree; null if the tree is empty. */
  @Nullable
  Planner planner() {
    return planner;
  }

  void planBy(Planner who) {
    planner = who;
  }
}
