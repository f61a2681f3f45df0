package org.oddlantern.cli;

import java.io.PrintStream;
import java.lang.reflect.Type;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.oddlantern.json.Words;
import org.oddlantern.plan.CaseDefinition;
import org.oddlantern.plan.CaseMarks;
import org.oddlantern.plan.Plan;
import org.oddlantern.plan.PlannedCase;
import org.oddlantern.plan.Selection;
import org.oddlantern.plan.Want;
import org.oddlantern.run.RunNames;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** {@code odd-lantern list}: what there is to run, and who gives what to whom. */
@Command(
    name = "list",
    description = "Prints suites, cases, and what each takes and gives.",
    mixinStandardHelpOptions = true)
final class ListCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Mixin
  private SuiteOptions where = new SuiteOptions();

  ListCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Plan plan = where.suites().planner().plan(Selection.ALL);
    PrintStream out = terminal.out();
    plan.warnings().forEach(warning -> out.println("warning   " + warning));
    String suite = "";
    for (PlannedCase one : plan.cases()) {
      CaseDefinition definition = one.definition();
      if (!suite.equals(definition.id().suite())) {
        out.println((suite.isEmpty() ? "" : "\n") + RunNames.suite(definition.suite()));
        suite = definition.id().suite();
      }
      print(out, definition);
    }
    return 0;
  }

  private static void print(PrintStream out, CaseDefinition definition) {
    out.println("  %-16s  %s".formatted(definition.id().method(), definition.title()));
    if (!definition.wants().isEmpty()) {
      out.println(" ".repeat(20) + "takes "
          + definition.wants().stream().map(ListCommand::words).collect(Collectors.joining(", ")));
    }
    CaseMarks marks = definition.marks();
    if (!marks.tags().isEmpty()) {
      out.println(" ".repeat(20) + "tags " + String.join(", ", marks.tags()));
    }
    if (!marks.notNow().isEmpty()) {
      out.println(" ".repeat(20) + "not now: " + marks.notNow()
          + (marks.until() == null ? "" : ", until " + marks.until()));
    }
    if (marks.toBeWritten()) {
      out.println(" ".repeat(20) + "to be written");
    }
    if (!marks.knownFault().isEmpty()) {
      out.println(" ".repeat(20) + "known fault " + marks.knownFault());
    }
    Type handsOn = definition.handsOn();
    if (handsOn != null) {
      out.println(" ".repeat(20) + "gives " + Words.of(handsOn));
    }
  }

  private static String words(Want want) {
    String type = Words.of(want.type());
    return switch (want.use()) {
      case READS -> type;
      case CHANGES -> type + " and changes it";
      case USES_UP -> type + " and uses it up";
    };
  }
}
