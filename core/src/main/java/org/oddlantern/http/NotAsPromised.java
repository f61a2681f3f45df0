package org.oddlantern.http;

import java.util.List;
import java.util.stream.Collectors;

/**
 * A check that does not hold, or a reading that finds nothing it could give: the case has failed. The
 * message is complete in itself: which evidence, which checks, where, wanted, got, hints.
 */
public final class NotAsPromised extends AssertionError {

  private static final long serialVersionUID = 1L;

  private final transient List<Verdict> verdicts;

  NotAsPromised(String title, List<Verdict> verdicts) {
    super(message(title, verdicts));
    this.verdicts = List.copyOf(verdicts);
  }

  /**
   * The checks that did not hold.
   *
   * @return one verdict or more, in the order in which the checks were made
   */
  public List<Verdict> verdicts() {
    return verdicts;
  }

  private static String message(String title, List<Verdict> verdicts) {
    return verdicts.stream()
        .flatMap(
            verdict -> verdict.findings().stream().map(finding -> lines(verdict, finding.lines())))
        .collect(Collectors.joining("\n", title + "\n", ""));
  }

  private static String lines(Verdict verdict, List<String> lines) {
    return "  " + verdict.check()
        + lines.stream().map(line -> "\n    " + line).collect(Collectors.joining());
  }
}
