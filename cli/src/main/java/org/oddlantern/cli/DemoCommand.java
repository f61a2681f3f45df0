package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.ServiceLoader;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.stream.Stream;
import org.oddlantern.config.internal.Example;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.schema.internal.KnownSchemas;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** {@code odd-lantern demo}: starts the example service, runs its suites, stops it. */
@Command(
    name = "demo",
    description = "Starts the Fennel Hill beeyard, a small service, and runs its suites.",
    mixinStandardHelpOptions = true)
final class DemoCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Option(
      names = "--with-faults",
      description = "Switch on some faults in the service, to see what failures look like.")
  private boolean withFaults;

  @Option(
      names = "--serve",
      description = "Only start the service, for suites of your own, until Ctrl-C.")
  private boolean serve;

  @Mixin
  private RunOptions options = new RunOptions();

  DemoCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() throws Exception {
    List<Path> jars = jars();
    ClassLoader loader = SuitePlaces.loader(jars, DemoCommand.class.getClassLoader());
    Example example = ServiceLoader.load(Example.class, loader)
        .findFirst()
        .orElseThrow(() ->
            new Misuse("there is no example service in lib/demo; build the distribution again"));
    Thread thread = Thread.currentThread();
    ClassLoader before = thread.getContextClassLoader();
    thread.setContextClassLoader(loader); // its libraries look there for what belongs to them
    try {
      return serve ? served(example) : ran(example, jars, loader);
    } finally {
      thread.setContextClassLoader(before);
    }
  }

  private int served(Example example) throws Exception {
    try (Example.Running running = example.start(withFaults)) {
      told(running);
      terminal.out().println("serving   until Ctrl-C");
      terminal.out().flush();
      new CountDownLatch(1).await();
      return 0;
    }
  }

  private void told(Example.Running running) {
    Map<String, List<String>> names = new TreeMap<>();
    new TreeMap<>(running.addresses())
        .forEach((name, address) ->
            names.computeIfAbsent(address, key -> new ArrayList<>()).add(name));
    names.forEach((address, served) ->
        terminal.out().println("started   " + String.join(", ", served) + " at " + address));
  }

  private int ran(Example example, List<Path> jars, ClassLoader loader) throws Exception {
    List<Place> places = jars.stream()
        .filter(jar -> jar.toString().endsWith("-tests.jar"))
        .map(Place::new)
        .toList();
    KnownSchemas schemas =
        SettingsFile.onClassPath(loader).schemas(loader, List.of(), System.getenv());
    Plan plan =
        new Planner(loader, places).plan(options.selection(), options.part(), schemas::named);
    try (Example.Running running = example.start(withFaults)) {
      told(running);
      Settings settings =
          options.settings().over(SettingsFile.onClassPath(loader).movedTo(running.addresses()));
      return new Execution(terminal, options)
          .run(new RunOrder(
              example.name(),
              plan,
              settings,
              options.settings().environment(settings),
              System.getenv(),
              loader,
              options.seed(),
              options.lanes(),
              options.blindSpots().wanted(),
              options.shuffled()));
    }
  }

  private static List<Path> jars() throws IOException {
    String home = System.getProperty("odd-lantern.home", "");
    Path folder = Path.of(home, "lib", "demo");
    if (home.isEmpty() || !Files.isDirectory(folder)) {
      throw new Misuse(
          "the demo is not here: start it with the script 'odd-lantern' of the distribution");
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(file -> file.toString().endsWith(".jar")).sorted().toList();
    }
  }
}
