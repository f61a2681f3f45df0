package org.oddlantern.internal.run;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What came of a run.
 *
 * @param counts how many cases ended how, by word
 * @param leftBehind how many things could not be put back
 * @param stopped whether it was stopped before all cases had run
 * @param problems what listeners could not do, as sentences
 */
public record RunResult(
    Map<String, Integer> counts, int leftBehind, boolean stopped, List<String> problems) {

  private static final Set<String> BROKEN = Set.of("failed", "errored", "blocked", "interrupted");

  /**
   * Whether any case ran.
   *
   * @return false if every case was skipped or is pending
   */
  public boolean ran() {
    return counts.keySet().stream()
        .anyMatch(word -> !word.equals("skipped") && !word.equals("pending"));
  }

  /**
   * Whether all is well.
   *
   * @return true if no case failed, errored or was blocked, nothing is left behind and every listener
   *     did its work
   */
  public boolean isGreen() {
    return !stopped
        && leftBehind == 0
        && problems.isEmpty()
        && counts.keySet().stream().noneMatch(word -> BROKEN.contains(word));
  }
}
