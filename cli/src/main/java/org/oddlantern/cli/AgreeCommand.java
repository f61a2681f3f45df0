package org.oddlantern.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;

/** {@code odd-lantern agree}: looks through replies that wait to be agreed on, and writes their files. */
@Command(
    name = "agree",
    description = {
      "Shows replies that are not as agreed on, and writes those that are right.",
      "What the last run held against asAgreed() and found new or different is shown as in a failure,"
          + " replies that differ alike together, with one question each. The exit status is 0 if"
          + " everything is agreed on, 1 if something is left."
    },
    mixinStandardHelpOptions = true)
final class AgreeCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(
      arity = "0..1",
      paramLabel = "JOURNAL",
      description = "The journal of a run, or its folder (default: that of the last run here).")
  private @Nullable Path journal;

  @Option(
      names = "--case",
      paramLabel = "CASE",
      description =
          "Look at replies of these cases only: a class, Class#method, or a title with * for any text. May be repeated.")
  private List<String> cases = new ArrayList<>();

  @Option(
      names = "--into",
      paramLabel = "FOLDER",
      description =
          "The resources of the suites, below which the files lie (default: src/test/resources if it exists, else this folder).")
  private @Nullable Path into;

  @Option(names = "--yes", description = "Agree to everything, and ask nothing.")
  private boolean yes;

  @Option(
      names = "--unused",
      description = "Name the files that no case of the run asked for, and change nothing.")
  private boolean unused;

  AgreeCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Path read = journal == null ? RunFolder.standard().journal() : RunFolder.journalOf(journal);
    if (!Files.isRegularFile(read)) {
      throw new Misuse(
          "there is no journal " + read + "; run the suites first, or name the journal of a run");
    }
    AgreedFolder folder = new AgreedFolder(into());
    WaitingReplies waiting =
        WaitingReplies.in(read, cases.stream().map(NamedCase::new).toList());
    if (unused) {
      return unused(folder, waiting);
    }
    return new Agreeing(terminal, folder, yes).done(waiting.groups(folder));
  }

  private Path into() {
    Path resources = Path.of("src", "test", "resources");
    if (into != null && !Files.isDirectory(into)) {
      throw new Misuse("--into names " + into + ", which is no folder");
    }
    return into != null ? into : Files.isDirectory(resources) ? resources : Path.of("");
  }

  private int unused(AgreedFolder folder, WaitingReplies waiting) {
    List<String> names =
        folder.files().stream().filter(name -> !waiting.asked().contains(name)).toList();
    names.forEach(name -> terminal.out().println("unused    " + folder.resolve(name)));
    if (names.isEmpty()) {
      terminal.out().println("every file is asked for");
    } else if (waiting.cutShort() > 0) {
      terminal
          .out()
          .println("note      "
              + (waiting.cutShort() == 1
                  ? "1 case of this run did not pass"
                  : waiting.cutShort() + " cases of this run did not pass")
              + ", and may not have come to ask");
    }
    return 0;
  }
}
