package org.oddlantern.cli;

import java.util.concurrent.Callable;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;
import org.oddlantern.shaded.picocli.CommandLine.Option;

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

  @Option(
      names = "--watch",
      description =
          "Run again whenever classes or resources change: what failed first, then the rest. Keys: w runs the whole, b what broke, e ends.")
  private boolean watch;

  RunCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    SuitePlaces suites = where.suites();
    if (watch) {
      return new Watching(terminal, suites, options).watch();
    }
    try (Prepared prepared = new Prepared(suites, options)) {
      return new Execution(terminal, options).run(prepared.order(options.selection()));
    }
  }
}
