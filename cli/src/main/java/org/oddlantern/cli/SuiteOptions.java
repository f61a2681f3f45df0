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
          "A class folder or a jar with suites (default: the test classes of the build in this folder).")
  private List<Path> places = new ArrayList<>();

  @Option(
      names = "--class-path",
      paramLabel = "PATH",
      description =
          "What else the suites need, separated as in a Java class path (default: what Maven says).")
  private @Nullable String classPath;

  SuitePlaces suites() {
    return SuitePlaces.in(places, classPath);
  }
}
