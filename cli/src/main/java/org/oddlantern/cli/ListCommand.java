package org.oddlantern.cli;

import java.io.BufferedOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** {@code odd-lantern list}: what there is to run, and who gives what to whom. */
@Command(
    name = "list",
    description = "Prints suites, cases, and what each takes and gives.",
    mixinStandardHelpOptions = true)
final class ListCommand implements Callable<Integer> {

  private static final int BUFFER = 1 << 16;

  private final Terminal terminal;

  @Mixin
  private SuiteOptions where = new SuiteOptions();

  @Mixin
  private CaseOptions cases = new CaseOptions();

  @Option(
      names = "--as",
      paramLabel = "FORM",
      defaultValue = "text",
      description =
          "text (the cases by suite), markdown (the same in plain sentences, for people who do not program), json, graph (each value with who makes, reads, changes and ends it) or dot (the same as a drawing for Graphviz).")
  private Form form = Form.text;

  @Option(names = "--graph", description = "The same as --as graph.")
  private boolean graph;

  @Option(
      names = "--promises",
      description =
          "The promises that documents below promises/ make, the cases that keep them, and the cases without one.")
  private boolean promises;

  ListCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    SuitePlaces suites = where.suites();
    ClassLoader loader = suites.loader();
    Path folder = SettingsFile.find(Path.of(""), loader).folder();
    Planner planner = suites.planner(loader, folder);
    PrintStream out = new PrintStream(
        new BufferedOutputStream(terminal.out(), BUFFER), false, StandardCharsets.UTF_8);
    try {
      return promises
          ? new ListPromises(out, planner.promises()).print()
          : print(planner, planner.plan(cases.selection(null)), out);
    } finally {
      out.flush();
    }
  }

  private int print(Planner planner, Plan plan, PrintStream out) {
    switch (graph ? Form.graph : form) {
      case text -> new ListText(out).print(plan);
      case markdown -> new Description(planner).lines().forEach(out::println);
      case json -> out.println(new ListJson(planner, plan).text());
      case graph -> new ValueFlow(plan).lines().forEach(out::println);
      case dot -> new PlanDrawing(plan).lines().forEach(out::println);
    }
    return 0;
  }

  /** How it is printed. */
  private enum Form {
    text,
    markdown,
    json,
    graph,
    dot
  }
}
