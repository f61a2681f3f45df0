package org.oddlantern.json.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import org.oddlantern.json.Finding;

/**
 * Collects findings up to a cap and counts the rest, whose words are never made. For one comparison, in
 * one thread.
 */
public final class FindingsUpToCap {

  private static final int MOST = 40;

  private final List<Finding> findings = new ArrayList<>();
  private int more;

  /** None yet. */
  public FindingsUpToCap() {}

  /**
   * One more thing that does not hold.
   *
   * @param finding gives the finding, if it is told
   */
  public void add(Supplier<Finding> finding) {
    if (findings.size() < MOST) {
      findings.add(finding.get());
    } else {
      more++;
    }
  }

  /**
   * What was found.
   *
   * @param where the place of the whole, for the count of what is not told
   * @return the findings, the last of which tells how many more there are
   */
  public List<Finding> all(Object where) {
    List<Finding> all = new ArrayList<>(findings);
    if (more > 0) {
      all.add(Finding.of(
          where,
          "nothing else that differs",
          String.format(
              Locale.ROOT, "%,d more differences (%,d in all)", more, more + findings.size())));
    }
    return all;
  }
}
