package org.oddlantern.cli;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.OutputStreamWriter;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.oddlantern.internal.run.Runner;
import org.oddlantern.shaded.picocli.CommandLine;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.ParameterException;
import org.oddlantern.shaded.picocli.CommandLine.ScopeType;
import org.oddlantern.shaded.picocli.CommandLine.Spec;

/** The command: parses its words, runs what they name, ends with an exit status. */
@Command(
    name = "odd-lantern",
    description = "Runs HTTP API tests written as Java code.",
    mixinStandardHelpOptions = true,
    versionProvider = Version.class,
    synopsisSubcommandLabel = "COMMAND",
    commandListHeading = "%nCommands:%n",
    footer = {
      "",
      "Exit status: 0 all passed; 1 something failed, errored, was blocked or left",
      "behind; 2 wrong use, settings or plan; 3 nothing was selected, or nothing ran;",
      "130 the run was stopped (Ctrl-C, SIGTERM)."
    })
public final class Main implements Runnable {

  @Spec
  private CommandLine.Model.CommandSpec spec;

  @Option(
      names = "--debug",
      scope = ScopeType.INHERIT,
      description =
          "Show stack traces; a run also writes what happens to its connections into connections.log, beside the journal.")
  private boolean debug;

  Main() {
    spec = CommandLine.Model.CommandSpec.create();
  }

  /**
   * Starts here.
   *
   * @param arguments the words of the command line
   */
  public static void main(String[] arguments) {
    PrintStream out =
        new PrintStream(new FileOutputStream(FileDescriptor.out), false, StandardCharsets.UTF_8);
    PrintStream err =
        new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8);
    if (Commands.runs(arguments)) {
      prepareMeanwhile();
    }
    int status = 1;
    try {
      status = commandLine(
              new Terminal(out, List.of(arguments).contains("--debug")), err, arguments)
          .execute(arguments);
    } catch (OutOfMemoryError e) {
      err.println("odd-lantern: there is not enough memory for this (" + e.getMessage()
          + "); give it more, like ODD_LANTERN_OPTS=-Xmx2g");
    }
    out.flush();
    System.exit(status);
  }

  /** What every run needs is got ready while the command line and the suites are read. */
  private static void prepareMeanwhile() {
    Thread thread = new Thread(Runner::prepare, "odd-lantern head start");
    thread.setDaemon(true);
    thread.start();
  }

  static CommandLine commandLine(Terminal terminal, PrintStream err, String... words) {
    Main main = new Main();
    Commands commands = new Commands(terminal);
    CommandLine line = new CommandLine(main, commands);
    commands.put(line, words);
    line.setOut(writer(terminal.out()));
    line.setErr(writer(err));
    line.setParameterExceptionHandler(Main::misused);
    line.setExecutionExceptionHandler(
        (e, command, parsed) -> Trouble.told(e, command.getErr(), main.debug));
    return line;
  }

  private static PrintWriter writer(PrintStream stream) {
    return new PrintWriter(new OutputStreamWriter(stream, StandardCharsets.UTF_8), true);
  }

  @Override
  public void run() {
    throw new ParameterException(spec.commandLine(), "a command is missing");
  }

  /** The first word that names no command where one is wanted; empty if something else is wrong. */
  private static String unknown(ParameterException e) {
    boolean wanted = !e.getCommandLine().getSubcommands().isEmpty();
    String first = wanted && e instanceof CommandLine.UnmatchedArgumentException unmatched
        ? unmatched.getUnmatched().get(0)
        : "";
    return first.startsWith("-") ? "" : first;
  }

  private static int misused(ParameterException e, String[] arguments) {
    PrintWriter err = e.getCommandLine().getErr();
    String wrong = unknown(e);
    if (wrong.isEmpty()) {
      String hint = e instanceof CommandLine.UnmatchedArgumentException unmatched
          ? OptionWords.hint(unmatched.getUnmatched().get(0), e.getCommandLine())
          : "";
      err.println("odd-lantern: " + e.getMessage() + (hint.isEmpty() ? "" : "; " + hint));
      if (hint.isEmpty()) {
        CommandLine.UnmatchedArgumentException.printSuggestions(e, err);
      }
    } else {
      err.println("odd-lantern: " + Commands.unknown(wrong, e.getCommandLine()));
    }
    err.println("'" + e.getCommandLine().getCommandSpec().qualifiedName()
        + " --help' shows what there is.");
    return 2;
  }
}
