package org.oddlantern.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;

/** Where the suites are, for every command that looks at some. */
final class SuiteOptions {

  @Parameters(
      paramLabel = "PLACE",
      description =
          "A class folder or a jar with suites (else the test classes of the build in this folder).")
  private List<Path> places = new ArrayList<>();

  @Option(
      names = "--class-path",
      paramLabel = "PATH",
      description =
          "What else the suites need, separated like a class path of Java (if not given, Maven is asked).")
  private @Nullable String classPath;

  SuitePlaces suites() {
    return SuitePlaces.in(places, classPath);
  }
}
