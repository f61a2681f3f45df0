package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** Which settings hold, for every command that uses them. */
final class SettingsOptions {

  @Option(
      names = "--env",
      paramLabel = "NAME",
      description =
          "The environment to run on (default: ODD_LANTERN_ENV, then 'environment' of the settings).")
  private @Nullable String environment;

  @Option(
      names = "--set",
      paramLabel = "KEY=VALUE",
      description =
          "A setting that wins over everything else, like services.beeyard.url=http://127.0.0.1:7411/api. May be repeated.")
  private List<String> assignments = new ArrayList<>();

  /** The settings with those of the command line. */
  Settings over(Settings settings) {
    return settings.overriddenBy(assignments);
  }

  /** The environment chosen; null if it is left to the settings. */
  @Nullable
  String chosen() {
    if (environment != null && environment.isBlank()) {
      throw new Misuse("--env wants the name of an environment, and got nothing");
    }
    String named = environment == null ? System.getenv("ODD_LANTERN_ENV") : environment;
    return named == null || named.isEmpty() ? null : named;
  }

  EnvironmentSettings environment(Settings settings) {
    return settings.environment(chosen());
  }
}
