package org.oddlantern.cli;

import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** The options that say how much of what is described must be called. */
final class DescriptionOptions {

  @Option(
      names = "--covered-at-least",
      paramLabel = "PER CENT",
      description =
          "Fail the run if fewer per cent of the operations are called that the descriptions of its services have.")
  private @Nullable String least;

  /** How many per cent are wanted; below 0 if nobody said. */
  int least() {
    return PerCent.of("--covered-at-least", least);
  }
}
