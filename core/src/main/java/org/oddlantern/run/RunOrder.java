package org.oddlantern.run;

import java.util.Map;
import org.oddlantern.config.EnvironmentSettings;
import org.oddlantern.config.Settings;
import org.oddlantern.plan.Plan;

/**
 * What to run, and on what.
 *
 * @param name what the run is about, for titles
 * @param plan the cases
 * @param settings all settings
 * @param environment the environment in use
 * @param variables environment variables by name
 * @param loader the class path of the suites
 * @param seed the seed of fresh values
 * @param lanes how many cases may run side by side; 1 or more
 */
public record RunOrder(
    String name,
    Plan plan,
    Settings settings,
    EnvironmentSettings environment,
    Map<String, String> variables,
    ClassLoader loader,
    String seed,
    int lanes) {

  /** Refuses what is no number of lanes. */
  public RunOrder {
    if (lanes < 1) {
      throw new IllegalArgumentException("a run has 1 lane or more, not " + lanes);
    }
  }
}
