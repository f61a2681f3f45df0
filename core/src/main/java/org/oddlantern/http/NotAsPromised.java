package org.oddlantern.http;

import java.util.List;
import java.util.function.UnaryOperator;
import org.oddlantern.json.Finding;

/**
 * A check that does not hold, or a reading that finds nothing it could give: the case has failed. The
 * message is complete in itself: which evidence, which checks, where, wanted, got, hints.
 */
public final class NotAsPromised extends AssertionError {

  private static final long serialVersionUID = 1L;

  private final String title;
  private final transient List<Verdict> verdicts;

  NotAsPromised(String title, List<Verdict> verdicts) {
    super(message(title, verdicts));
    this.title = title;
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

  /**
   * The message with every verdict told in another way, with secrets hidden for instance.
   *
   * @param change tells a verdict in another way
   * @return the message
   */
  public String message(UnaryOperator<Verdict> change) {
    return message(title, verdicts.stream().map(change).toList());
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
}
