package org.oddlantern.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

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
