package org.oddlantern.evidence.internal;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.Finding;

/**
 * Checks that fail in one and the same way, so that what they found is told once.
 *
 * @param checks the checks in words
 * @param warning whether they warn only
 * @param findings what does not hold
 */
public record VerdictGroup(List<String> checks, boolean warning, List<Finding> findings) {

  /** Keeps its own copies. */
  public VerdictGroup {
    checks = List.copyOf(checks);
    findings = List.copyOf(findings);
  }

  /**
   * The verdicts that do not hold, those with the same findings together.
   *
   * @param verdicts verdicts of one reply, in order
   * @return the groups, in the order of their first verdicts
   */
  public static List<VerdictGroup> failed(List<Verdict> verdicts) {
    List<VerdictGroup> groups = new ArrayList<>();
    for (Verdict verdict : verdicts) {
      if (!verdict.holds()) {
        add(groups, verdict);
      }
    }
    return groups;
  }

  private static void add(List<VerdictGroup> groups, Verdict verdict) {
    for (int i = 0; i < groups.size(); i++) {
      VerdictGroup group = groups.get(i);
      if (group.warning == verdict.warning() && group.findings.equals(verdict.told())) {
        List<String> checks = new ArrayList<>(group.checks);
        checks.add(verdict.words());
        groups.set(i, new VerdictGroup(checks, group.warning, group.findings));
        return;
      }
    }
    groups.add(new VerdictGroup(List.of(verdict.words()), verdict.warning(), verdict.told()));
  }
}
