package org.oddlantern.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.oddlantern.config.EnvironmentSettings;
import org.oddlantern.config.Settings;
import org.oddlantern.config.SettingsFile;
import org.oddlantern.plan.Plan;
import org.oddlantern.run.RunOrder;
import org.oddlantern.schema.KnownSchemas;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** {@code odd-lantern run}: runs compiled suites. */
@Command(
    name = "run",
    description = "Runs the suites in class folders or jars.",
    mixinStandardHelpOptions = true)
final class RunCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Mixin
  private SuiteOptions where = new SuiteOptions();

  @Mixin
  private RunOptions options = new RunOptions();

  RunCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Suites suites = where.suites();
    Settings settings = options.settings().over(SettingsFile.find(Path.of(""), suites.loader()));
    EnvironmentSettings environment = options.settings().environment(settings);
    KnownSchemas schemas = settings.schemas(suites.loader(), List.of(environment), System.getenv());
    Plan plan =
        suites.planner(settings.folder()).plan(options.selection(), options.part(), schemas::named);
    String name = Path.of("").toAbsolutePath().getFileName() + "";
    return new Execution(terminal, options)
        .run(new RunOrder(
            name,
            plan,
            settings,
            environment,
            System.getenv(),
            suites.loader(),
            options.seed(),
            options.lanes()));
  }
}
