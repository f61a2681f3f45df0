package org.oddlantern.internal.junit;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.jspecify.annotations.Nullable;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestPlan;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.internal.reports.KeptRuns;

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
      journals(parameters(plan)).forgetEarlier();
    } catch (IOException e) {
      throw new UncheckedIOException("earlier journals cannot be removed: " + e, e);
    }
  }

  @Override
  public void testPlanExecutionFinished(TestPlan plan) {
    try {
      Parameters parameters = parameters(plan);
      journals(parameters).tellIfAny(history(parameters));
    } catch (IOException e) {
      throw new UncheckedIOException("the report cannot be written: " + e, e);
    }
  }

  /** Wrong settings have been told by those who run. */
  private static @Nullable KeptRuns history(Parameters parameters) {
    try {
      ClassLoader loader = Thread.currentThread().getContextClassLoader();
      return KeptRuns.of(parameters.settings(loader).history());
    } catch (SettingsProblem e) {
      return null;
    }
  }

  private static Journals journals(Parameters parameters) {
    return Journals.in(parameters.out());
  }

  private static Parameters parameters(TestPlan plan) {
    return new Parameters(plan.getConfigurationParameters());
  }
}
