package org.oddlantern.internal.junit;

import org.junit.platform.engine.EngineExecutionListener;
import org.junit.platform.engine.TestDescriptor;
import org.junit.platform.engine.TestExecutionResult;

/**
 * Tells that nothing can run: the first case fails with everything that is wrong, the others are skipped,
 * so that no build takes it for green.
 */
final class Refusal {

  private final TestDescriptor root;
  private final EngineExecutionListener platform;
  private boolean told;

  Refusal(TestDescriptor root, EngineExecutionListener platform) {
    this.root = root;
    this.platform = platform;
  }

  TestExecutionResult told(RuntimeException why) {
    root.getChildren().forEach(child -> tell(child, why));
    return TestExecutionResult.successful();
  }

  private void tell(TestDescriptor node, RuntimeException why) {
    if (node.isTest() && told) {
      platform.executionSkipped(node, "nothing was sent; the first case says why");
      return;
    }
    platform.executionStarted(node);
    if (node.isTest()) {
      told = true;
      CaseProblem problem = new CaseProblem(String.valueOf(why.getMessage()));
      problem.setStackTrace(new StackTraceElement[0]);
      platform.executionFinished(node, TestExecutionResult.failed(problem));
    } else {
      node.getChildren().forEach(child -> tell(child, why));
      platform.executionFinished(node, TestExecutionResult.successful());
    }
  }
}
