package org.oddlantern.cli;

import java.util.Stack;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.run.BlindSpots;
import org.oddlantern.shaded.picocli.CommandLine.IParameterConsumer;
import org.oddlantern.shaded.picocli.CommandLine.Model.ArgSpec;
import org.oddlantern.shaded.picocli.CommandLine.Model.CommandSpec;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** The options that say whether it is to be seen what nobody would notice. */
final class BlindSpotOptions {

  @Option(
      names = "--blind-spots",
      paramLabel = "all",
      arity = "0..1",
      parameterConsumer = Once.class,
      description =
          "Show what no case would notice: each case that passed is done again in memory, with its replies changed one by one. Nothing is sent. all tries in each case what another one watches already, too.")
  private @Nullable BlindSpots wanted;

  @Option(
      names = "--watched-at-least",
      paramLabel = "PER CENT",
      description =
          "Fail the run if fewer per cent of the places of all replies are watched; with --blind-spots.")
  private @Nullable String least;

  BlindSpots wanted() {
    if (wanted != null) {
      return wanted;
    }
    return least == null ? BlindSpots.NONE : BlindSpots.ONCE;
  }

  /** How many per cent are wanted; below 0 if nobody said. */
  int least() {
    return PerCent.of("--watched-at-least", least);
  }

  /** What follows is the option's only if it is the one word that it knows. */
  static final class Once implements IParameterConsumer {
    @Override
    public void consumeParameters(Stack<String> words, ArgSpec option, CommandSpec command) {
      if (!words.isEmpty() && words.peek().equals("all")) {
        words.pop();
        option.setValue(BlindSpots.ALL);
      } else {
        option.setValue(BlindSpots.ONCE);
      }
    }
  }
}
