package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.Draft;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;

/** {@code odd-lantern schema conformance}: runs the standard's own test suite. */
@Command(
    name = "conformance",
    description = {
      "Runs the standard's own test suite.",
      "It is looked for in its published layout (DIR/tests, DIR/remotes); what passed and failed is"
          + " printed by draft and file. A failure that is not listed as known, or a listed one that"
          + " passes, makes the exit status 1."
    },
    mixinStandardHelpOptions = true)
final class SchemaConformanceCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(index = "0", paramLabel = "DIR", description = "The folder of the suite.")
  private Path folder = Path.of("");

  @Option(
      names = "--optional",
      description = "Run the optional tests, in which formats are assertions.")
  private boolean optional;

  @Option(
      names = "--known",
      paramLabel = "FILE",
      description = "Tests known to fail: a line each, as printed; # begins a remark.")
  private @Nullable Path known;

  SchemaConformanceCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    if (!Files.isDirectory(folder.resolve("tests"))) {
      throw new Misuse("there is no folder " + folder.resolve("tests")
          + "; DIR must hold the suite's tests and remotes");
    }
    Set<String> listed = listed();
    ConformanceSuite suite = new ConformanceSuite(folder);
    boolean asKnown = true;
    for (Draft draft : Draft.values()) {
      asKnown &= run(suite, draft, listed);
    }
    for (String title : listed) {
      terminal.out().println("listed, but there is no such test among those run: " + title);
    }
    return asKnown && listed.isEmpty() ? 0 : 1;
  }

  /** Runs the tests of a draft; what is listed is taken from the list when it is met. */
  private boolean run(ConformanceSuite suite, Draft draft, Set<String> listed) {
    List<ConformanceSuite.FileResult> results = suite.run(draft, optional);
    long passed = 0;
    long all = 0;
    boolean asKnown = true;
    for (ConformanceSuite.FileResult file : results) {
      passed += file.passed();
      all += file.tests().size();
      terminal
          .out()
          .printf(
              "%-52s %5d passed %3d failed%n",
              file.name(), file.passed(), file.tests().size() - file.passed());
      for (ConformanceSuite.TestResult test : file.tests()) {
        boolean isListed = listed.remove(test.title());
        if (test.passed() == isListed) {
          asKnown = false;
        }
        if (!test.passed() || isListed) {
          terminal.out().println(line(test, isListed));
        }
      }
    }
    terminal.out().printf(Locale.ROOT, "%s: %d of %d tests passed%n%n", draft.label(), passed, all);
    return asKnown;
  }

  private static String line(ConformanceSuite.TestResult test, boolean isListed) {
    String word =
        test.passed() ? "passed, though listed" : isListed ? "failed, as listed" : "failed";
    String reason = test.passed() ? "" : ": " + test.reason();
    return "  " + word + "  " + test.title() + reason;
  }

  private Set<String> listed() {
    if (known == null) {
      return new LinkedHashSet<>();
    }
    try {
      Set<String> titles = new LinkedHashSet<>();
      Files.readAllLines(known).stream()
          .map(String::strip)
          .filter(line -> !line.isEmpty() && !line.startsWith("#"))
          .forEach(titles::add);
      return titles;
    } catch (IOException e) {
      throw new Misuse("the file " + known + " cannot be read: " + e);
    }
  }
}
