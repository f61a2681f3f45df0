package org.oddlantern.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine;

/** What others call the options. */
final class OptionWords {

  private static final Map<String, String> MEANT = meant();

  private OptionWords() {}

  /** What is told of an option that a command does not have; empty if nobody knows what was meant. */
  static String hint(String option, CommandLine command) {
    String plain = option.replaceAll("=.*|^-+|[-_]", "").toLowerCase(Locale.ROOT);
    String meant = MEANT.getOrDefault(plain, "");
    String name = meant.replaceAll(" .*", "");
    return command.getCommandSpec().optionsMap().containsKey(name) && !name.equals(option)
        ? "it is called " + meant
        : "";
  }

  private static Map<String, String> meant() {
    Map<String, List<String>> words = Map.of(
        "--lanes", List.of("threads", "parallel", "workers", "jobs", "concurrency"),
        "--part", List.of("shard", "split", "partition"),
        "--case", List.of("filter", "test", "tests", "only", "name"),
        "--without-tag", List.of("excludetag", "excludetags", "skiptag", "nottag"),
        "--env", List.of("environment", "profile", "stage"),
        "--out", List.of("output", "outputdir", "outdir", "reportdir"),
        "--failed-in", List.of("failed", "rerunfailed", "onlyfailures", "lastfailed"),
        "--run-limit", List.of("timeout", "maxtime", "timelimit"),
        "--class-path", List.of("classpath", "cp"),
        "--console quiet", List.of("quiet", "silent"));
    Map<String, String> meant = new LinkedHashMap<>();
    words.forEach((option, others) -> others.forEach(other -> meant.put(other, option)));
    meant.put("verbose", "--console exchanges");
    return Map.copyOf(meant);
  }
}
