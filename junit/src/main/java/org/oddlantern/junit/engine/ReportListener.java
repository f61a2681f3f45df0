package org.oddlantern.junit.engine;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestPlan;

/**
 * Makes one report of everything that ran: suites, and tests of other engines that use services. To be
 * found by the platform itself. A report that cannot be written fails no test; the platform logs why.
 *
 * <pre>{@code
 * target/odd-lantern/report/index.html
 * }</pre>
 */
public final class ReportListener implements TestExecutionListener {

  /** Made by the platform. */
  public ReportListener() {}

  @Override
  public void testPlanExecutionStarted(TestPlan plan) {
    try {
      journals(plan).forgetEarlier();
    } catch (IOException e) {
      throw new UncheckedIOException("earlier journals cannot be removed: " + e, e);
    }
  }

  @Override
  public void testPlanExecutionFinished(TestPlan plan) {
    try {
      journals(plan).tellIfAny();
    } catch (IOException e) {
      throw new UncheckedIOException("the report cannot be written: " + e, e);
    }
  }

  private static Journals journals(TestPlan plan) {
    return Journals.in(new Parameters(plan.getConfigurationParameters()).out());
  }
}
