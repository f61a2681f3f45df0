package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.JoinedJournals;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;

/** {@code odd-lantern report}: makes the reports of a run from its journal, or of several as one. */
@Command(
    name = "report",
    description = {
      "Makes the reports of a run from its journal, also of one that was cut off.",
      "Several journals, like those of the parts of a run, are joined into one."
    },
    mixinStandardHelpOptions = true)
final class ReportCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(
      paramLabel = "JOURNAL",
      arity = "1..*",
      description = "A journal, or a folder that holds one or has folders that do.")
  private List<Path> journals = new ArrayList<>();

  @Option(
      names = "--out",
      paramLabel = "FOLDER",
      description =
          "Where the reports go (default: the folder of the journal; for several journals, that of a run).")
  private @Nullable Path out;

  @Option(
      names = "--description",
      paramLabel = "FILE",
      description =
          "Hold the calls of the journal against this description (OpenAPI), or those of one service: SERVICE=FILE.")
  private List<String> descriptions = new ArrayList<>();

  @Mixin
  private DescriptionOptions description = new DescriptionOptions();

  @Mixin
  private ReportOptions options = new ReportOptions();

  ReportCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    List<Path> files =
        journals.stream().flatMap(ReportCommand::files).distinct().toList();
    return files.size() == 1 ? told(files.get(0)) : joined(files);
  }

  private int told(Path journal) {
    Path beside = journal.getParent();
    OutFolder folder = folder(beside == null ? Path.of(".") : beside);
    return status(folder.report(journal));
  }

  private int joined(List<Path> files) {
    RunFolder standard = RunFolder.standard();
    OutFolder folder = folder(standard.path());
    if (files.stream().anyMatch(file -> isSame(file, folder.journal()))) {
      throw new Misuse("the joined journal would replace " + folder.journal()
          + ", which is one of those to be joined; choose another folder with --out");
    }
    try {
      return status(folder.join(new JoinedJournals(files)));
    } catch (IOException e) {
      throw new Misuse("the journals cannot be joined: " + e.getMessage());
    }
  }

  private int status(List<String> problems) {
    problems.forEach(problem -> terminal.out().println("problem   " + problem));
    return problems.isEmpty() ? 0 : 1;
  }

  private OutFolder folder(Path otherwise) {
    OutFolder folder = new OutFolder(
        new RunFolder(out == null ? otherwise : out),
        terminal,
        options,
        new OutFolder.Descriptions(
            NamedDescriptions.read(descriptions), new Covered(description.least())));
    options.check();
    folder.prepare();
    return folder;
  }

  private static Stream<Path> files(Path named) {
    if (Files.isRegularFile(named)) {
      return Stream.of(named);
    }
    Path own = new RunFolder(named).journal();
    if (Files.isRegularFile(own)) {
      return Stream.of(own);
    }
    List<Path> below = below(named);
    if (below.isEmpty()) {
      throw new Misuse("there is no journal " + named
          + "; a run writes one into target/odd-lantern, or into the folder given with --out");
    }
    return below.stream();
  }

  private static List<Path> below(Path folder) {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> folders = Files.list(folder)) {
      return folders
          .map(one -> new RunFolder(one).journal())
          .filter(Files::isRegularFile)
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new Misuse("the folder " + folder + " cannot be read: " + e);
    }
  }

  private static boolean isSame(Path one, Path other) {
    return one.toAbsolutePath().normalize().equals(other.toAbsolutePath().normalize());
  }
}
