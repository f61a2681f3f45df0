package org.oddlantern.evidence;

import java.util.List;
import org.oddlantern.json.Finding;

/**
 * A check that was made, with its answer.
 *
 * @param check the check in words
 * @param warning whether it warns only
 * @param sent whether it was made of the request as it was sent, not of what came back
 * @param findings what does not hold; empty if the check holds
 */
public record Verdict(String check, boolean warning, boolean sent, List<Finding> findings) {

  /** Keeps its own copy. */
  public Verdict {
    findings = List.copyOf(findings);
  }

  /**
   * Of a check on what came back.
   *
   * @param check the check in words
   * @param warning whether it warns only
   * @param findings what does not hold; empty if the check holds
   */
  public Verdict(String check, boolean warning, List<Finding> findings) {
    this(check, warning, false, findings);
  }

  /**
   * Whether the check holds.
   *
   * @return true if there are no findings
   */
  public boolean holds() {
    return findings.isEmpty();
  }

  /**
   * The check in words, with what it looked at.
   *
   * @return {@code sent: at("$.label", "Foxglove")}; the check alone if it looked at what came back
   */
  public String words() {
    return sent ? "sent: " + check : check;
  }

  /**
   * What does not hold, with places that say whether they are in the request.
   *
   * @return the findings, as they are to be shown
   */
  public List<Finding> told() {
    return sent ? findings.stream().map(Verdict::inRequest).toList() : findings;
  }

  private static Finding inRequest(Finding one) {
    return one.at("what was sent, " + one.where()).atEach(one.places());
  }
}
