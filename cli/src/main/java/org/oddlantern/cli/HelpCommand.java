package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.shaded.picocli.CommandLine;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;
import org.oddlantern.shaded.picocli.CommandLine.Spec;

/** {@code odd-lantern help}: what a command does, as its {@code --help} says. */
@Command(name = "help", description = "Shows what a command does and which options it has.")
final class HelpCommand implements Runnable {

  @Spec
  private CommandLine.Model.CommandSpec spec;

  @Parameters(
      paramLabel = "COMMAND",
      arity = "0..*",
      description = "The command, like run or schema check; none for all of them.")
  private List<String> names = new ArrayList<>();

  HelpCommand() {
    spec = CommandLine.Model.CommandSpec.create();
  }

  @Override
  public void run() {
    CommandLine told = spec.commandLine().getParent();
    for (String name : names) {
      CommandLine next = told.getSubcommands().get(name);
      if (next == null) {
        throw new Misuse(Commands.unknown(name, told));
      }
      told = next;
    }
    told.usage(spec.commandLine().getOut());
  }
}
