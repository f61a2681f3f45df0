package org.oddlantern.cli;

import org.oddlantern.shaded.picocli.AutoComplete;
import org.oddlantern.shaded.picocli.CommandLine;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Spec;

/** {@code odd-lantern completion}: a script for shells. */
@Command(
    name = "completion",
    description = {
      "Prints a script by which bash and zsh complete commands, options and files.",
      "For this shell: eval \"$(odd-lantern completion)\". For every one: put that line into"
          + " ~/.bashrc or ~/.zshrc."
    },
    mixinStandardHelpOptions = true)
final class CompletionCommand implements Runnable {

  @Spec
  private CommandLine.Model.CommandSpec spec;

  CompletionCommand() {
    spec = CommandLine.Model.CommandSpec.create();
  }

  @Override
  public void run() {
    CommandLine line = spec.commandLine();
    line.getOut().print(AutoComplete.bash("odd-lantern", line.getParent()));
    line.getOut().flush();
  }
}
