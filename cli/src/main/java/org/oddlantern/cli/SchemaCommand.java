package org.oddlantern.cli;

import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Model.CommandSpec;
import org.oddlantern.shaded.picocli.CommandLine.ParameterException;
import org.oddlantern.shaded.picocli.CommandLine.Spec;

/** {@code odd-lantern schema}: JSON Schema on files. */
@Command(
    name = "schema",
    description = "JSON Schema on files: checks them, sketches a schema, runs the test suite.",
    mixinStandardHelpOptions = true,
    subcommands = {
      SchemaCheckCommand.class,
      SchemaSketchCommand.class,
      SchemaConformanceCommand.class
    },
    synopsisSubcommandLabel = "COMMAND",
    commandListHeading = "%nCommands:%n")
final class SchemaCommand implements Runnable {

  @Spec
  private CommandSpec spec = CommandSpec.create();

  @Override
  public void run() {
    throw new ParameterException(spec.commandLine(), "a command is missing: check or sketch");
  }
}
