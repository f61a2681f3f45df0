package org.oddlantern.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URLClassLoader;
import java.nio.file.Path;
import java.util.List;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.schema.internal.KnownSchemas;

/** SuitePlaces as they are compiled now, and the settings that hold for them: from these, runs are planned. */
final class Prepared implements AutoCloseable {

  private final URLClassLoader loader;
  private final RunOptions options;
  private final Settings settings;
  private final EnvironmentSettings environment;
  private final KnownSchemas schemas;
  private final Planner planner;

  Prepared(SuitePlaces suites, RunOptions options) {
    this.loader = suites.loader();
    this.options = options;
    this.settings = options.settings().over(SettingsFile.find(Path.of(""), loader));
    this.environment = options.settings().environment(settings);
    this.schemas = settings.schemas(loader, List.of(environment), System.getenv());
    this.planner = suites.planner(loader, settings.folder());
  }

  /** What to run, of the cases that are selected. */
  RunOrder order(Selection selection) {
    Plan plan = planner.plan(selection, options.part(), schemas::named);
    return new RunOrder(
        Path.of("").toAbsolutePath().getFileName() + "",
        plan,
        settings,
        environment,
        System.getenv(),
        loader,
        options.seed(),
        options.lanes(),
        options.blindSpots().wanted(),
        options.shuffled());
  }

  @Override
  public void close() {
    try {
      loader.close();
    } catch (IOException e) {
      throw new UncheckedIOException("the class path cannot be closed: " + e.getMessage(), e);
    }
  }
}
