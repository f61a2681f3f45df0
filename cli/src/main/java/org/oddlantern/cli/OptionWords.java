package org.oddlantern.cli;

import java.util.List;
import java.util.Map;
import org.oddlantern.json.internal.OtherWords;
import org.oddlantern.shaded.picocli.CommandLine;

/** What others call the options. */
final class OptionWords {

  private static final OtherWords WORDS = new OtherWords(Map.ofEntries(
      Map.entry("--lanes", List.of("threads", "parallel", "workers", "jobs", "concurrency")),
      Map.entry("--shuffle", List.of("random", "randomorder", "randomize", "order")),
      Map.entry("--part", List.of("shard", "split", "partition")),
      Map.entry("--case", List.of("filter", "test", "tests", "only", "name")),
      Map.entry("--without-tag", List.of("excludetag", "excludetags", "skiptag", "nottag")),
      Map.entry("--env", List.of("environment", "profile", "stage")),
      Map.entry("--out", List.of("output", "outputdir", "outdir", "reportdir")),
      Map.entry("--failed-in", List.of("failed", "rerunfailed", "onlyfailures", "lastfailed")),
      Map.entry("--run-limit", List.of("timeout", "maxtime", "timelimit")),
      Map.entry("--class-path", List.of("classpath", "cp")),
      Map.entry("--console quiet", List.of("quiet", "silent")),
      Map.entry("--console exchanges", List.of("verbose"))));

  private OptionWords() {}

  /** What is told of an option that a command does not have; empty if nobody knows what was meant. */
  static String hint(String option, CommandLine command) {
    return WORDS
        .meant(option.replaceFirst("=.*", ""))
        .filter(meant ->
            command.getCommandSpec().optionsMap().containsKey(meant.replaceFirst(" .*", "")))
        .map(meant -> "it is called " + meant)
        .orElse("");
  }
}
