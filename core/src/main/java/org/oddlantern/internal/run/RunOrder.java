package org.oddlantern.internal.run;

import java.util.Map;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.internal.plan.Plan;

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
 * @param blindSpots whether it is to be seen what nobody would notice
 * @param shuffled whether cases run in any order that their values allow, drawn from the seed
 */
public record RunOrder(
    String name,
    Plan plan,
    Settings settings,
    EnvironmentSettings environment,
    Map<String, String> variables,
    ClassLoader loader,
    String seed,
    int lanes,
    BlindSpots blindSpots,
    boolean shuffled) {

  private static final int MOST_LANES = 1_000;

  /**
   * The number of lanes that somebody asks for in words.
   *
   * @param text a number from 1 to 1000, or {@code auto} for one for each processor
   * @return the number
   * @throws IllegalArgumentException if it is neither, with what it takes
   */
  public static int lanes(String text) {
    if (text.equals("auto")) {
      return Runtime.getRuntime().availableProcessors();
    }
    if (text.matches("[1-9]\\d{0,3}") && Integer.parseInt(text) <= MOST_LANES) {
      return Integer.parseInt(text);
    }
    throw new IllegalArgumentException(
        "takes a number from 1 to " + MOST_LANES + ", or auto, not " + text);
  }

  /** A run that only runs. */
  public RunOrder(
      String name,
      Plan plan,
      Settings settings,
      EnvironmentSettings environment,
      Map<String, String> variables,
      ClassLoader loader,
      String seed,
      int lanes) {
    this(name, plan, settings, environment, variables, loader, seed, lanes, BlindSpots.NONE, false);
  }

  /** Refuses what is no number of lanes, and keeps its own variables. */
  public RunOrder {
    variables = Map.copyOf(variables);
    if (lanes < 1) {
      throw new IllegalArgumentException("a run has 1 lane or more, not " + lanes);
    }
  }
}
