package org.oddlantern.evidence;

import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.oddlantern.evidence.internal.VerdictGroup;
import org.oddlantern.json.Finding;

/**
 * A check that does not hold, or a reading that finds nothing it could give: the case has failed. The
 * message is complete in itself: which evidence, which checks, where, wanted, got, hints.
 */
public final class CheckFailed extends AssertionError {

  private static final long serialVersionUID = 1L;

  private final transient List<Part> parts;

  /**
   * For one evidence.
   *
   * @param title what it is
   * @param verdicts the checks that do not hold
   */
  public CheckFailed(String title, List<Verdict> verdicts) {
    this(List.of(new Part(title, List.copyOf(verdicts))));
  }

  private CheckFailed(List<Part> parts) {
    super(message(parts, verdict -> verdict));
    this.parts = parts;
  }

  /**
   * Several failures as one.
   *
   * @param failures one or more, in order
   * @return the failure that has them all
   */
  public static CheckFailed all(List<CheckFailed> failures) {
    CheckFailed all = new CheckFailed(
        failures.stream().flatMap(failure -> failure.parts.stream()).toList());
    if (!failures.isEmpty()) {
      all.setStackTrace(failures.get(0).getStackTrace());
    }
    return all;
  }

  /**
   * The checks that did not hold.
   *
   * @return one verdict or more, in the order in which the checks were made
   */
  public List<Verdict> verdicts() {
    return parts.stream().flatMap(part -> part.verdicts.stream()).toList();
  }

  /**
   * The message with every verdict worded in another way, with secrets hidden for instance.
   *
   * @param change words a verdict in another way
   * @return the message
   */
  public String message(UnaryOperator<Verdict> change) {
    return message(parts, change);
  }

  private static String message(List<Part> parts, UnaryOperator<Verdict> change) {
    return parts.stream()
        .map(part -> message(part.title, part.verdicts.stream().map(change).toList()))
        .collect(Collectors.joining("\n"));
  }

  private static String message(String title, List<Verdict> verdicts) {
    StringBuilder message = new StringBuilder(title);
    for (VerdictGroup group : VerdictGroup.failed(verdicts)) {
      group.checks().forEach(check -> message.append("\n  ").append(check));
      for (Finding finding : group.findings()) {
        finding.lines().forEach(line -> message.append("\n    ").append(line));
      }
    }
    return message.toString();
  }

  /** One evidence and what did not hold of it. */
  private record Part(String title, List<Verdict> verdicts) {}
}
