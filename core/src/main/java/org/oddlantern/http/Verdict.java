package org.oddlantern.http;

import java.util.List;
import org.oddlantern.json.Finding;

/**
 * A check that was made, with its answer.
 *
 * @param check the check in words
 * @param warning whether it warns only
 * @param findings what does not hold; empty if the check holds
 */
public record Verdict(String check, boolean warning, List<Finding> findings) {

  /** Keeps its own copy; what is absent in a journal is empty here. */
  public Verdict {
    findings = findings == null ? List.of() : List.copyOf(findings);
  }

  /**
   * Whether the check holds.
   *
   * @return true if there are no findings
   */
  public boolean holds() {
    return findings.isEmpty();
  }
}
