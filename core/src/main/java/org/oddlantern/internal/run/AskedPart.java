package org.oddlantern.internal.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.plan.RunPart;

/**
 * The part of a run that somebody asks for in words: {@code 2/5}, or {@code auto} for what the build server
 * says about its parallel jobs.
 *
 * @param text what was asked for
 * @param earlier a folder with journals of earlier runs, by which parts are balanced; null if there is none
 * @param variables environment variables by name
 */
public record AskedPart(String text, @Nullable Path earlier, Map<String, String> variables) {

  private static final Pattern FORM = Pattern.compile("(\\d{1,4})/(\\d{1,4})");

  /** What build servers set for jobs that run side by side. */
  private static final List<Counter> COUNTERS = List.of(
      new Counter("CI_NODE_INDEX", "CI_NODE_TOTAL", 1),
      new Counter("CIRCLE_NODE_INDEX", "CIRCLE_NODE_TOTAL", 0),
      new Counter("BUILDKITE_PARALLEL_JOB", "BUILDKITE_PARALLEL_JOB_COUNT", 0),
      new Counter("SYSTEM_JOBPOSITIONINPHASE", "SYSTEM_TOTALJOBSINPHASE", 1),
      new Counter("SEMAPHORE_JOB_INDEX", "SEMAPHORE_JOB_COUNT", 1));

  /**
   * The part.
   *
   * @return the part
   * @throws IllegalArgumentException if it cannot be understood, or there is no such part, with what to do
   * @throws IOException if the earlier journals cannot be read
   */
  public RunPart part() throws IOException {
    String form = text.equals("auto") ? counted() : text;
    Matcher matcher = FORM.matcher(form);
    if (!matcher.matches()) {
      throw new IllegalArgumentException(
          "a part is written like 2/5, the second of five parts, or auto, not " + form);
    }
    return new RunPart(
        Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2)), micros());
  }

  private String counted() {
    return COUNTERS.stream()
        .filter(one -> variables.containsKey(one.index) && variables.containsKey(one.total))
        .map(one -> one.form(variables))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException(
            "part auto reads what a build server sets for parallel jobs, and none of these is set: "
                + COUNTERS.stream()
                    .map(one -> one.index + " with " + one.total)
                    .collect(Collectors.joining(", "))
                + "; say which part it is, like 2/5"));
  }

  private Map<String, Long> micros() throws IOException {
    Map<String, Long> micros = new HashMap<>();
    if (earlier == null) {
      return micros;
    }
    try (Stream<Path> files = Files.walk(earlier)) {
      List<Path> journals =
          files.filter(file -> file.toString().endsWith(".jsonl")).sorted().toList();
      if (journals.isEmpty()) {
        throw new IllegalArgumentException(
            "there is no journal (*.jsonl) of an earlier run in the folder " + earlier);
      }
      for (Path journal : journals) {
        new Journal(journal).outcomes(one -> {
          if (one.hasRun()) {
            micros.put(one.id(), one.tookMicros());
          }
        });
      }
    }
    return micros;
  }

  /**
   * Two variables of a build server.
   *
   * @param index which of its parallel jobs this is
   * @param total how many there are
   * @param first the number of the first job
   */
  private record Counter(String index, String total, int first) {

    String form(Map<String, String> variables) {
      String number = variables.getOrDefault(index, "");
      return (number.matches("\\d{1,4}")
              ? String.valueOf(Integer.parseInt(number) + 1 - first)
              : number)
          + "/" + variables.get(total);
    }
  }
}
