package org.oddlantern.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code odd-lantern report}: makes the reports of a run from its journal, also of one that was cut off. */
@Command(
    name = "report",
    description = "Makes the reports of a run from its journal, also of one that was cut off.",
    mixinStandardHelpOptions = true)
final class ReportCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(paramLabel = "JOURNAL", description = "The journal of a run.")
  private Path journal = Path.of("journal.jsonl");

  @Option(
      names = "--out",
      paramLabel = "FOLDER",
      description = "Where the reports go (else the folder of the journal).")
  private @Nullable Path out;

  ReportCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    if (!Files.isRegularFile(journal)) {
      throw new Misuse("there is no journal " + journal
          + "; a run writes one into target/odd-lantern, or into the folder given with --out");
    }
    Path beside = journal.getParent();
    OutFolder folder =
        new OutFolder(out != null ? out : beside == null ? Path.of(".") : beside, terminal);
    folder.prepare();
    List<String> problems = folder.report(journal);
    problems.forEach(problem -> terminal.out().println("problem   " + problem));
    return problems.isEmpty() ? 0 : 1;
  }
}
