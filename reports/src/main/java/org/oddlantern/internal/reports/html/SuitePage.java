package org.oddlantern.internal.reports.html;

import java.util.List;

/**
 * A page of a suite.
 *
 * @param file its name
 * @param suite what it tells of the suite
 * @param number which of its pages it is, from 1
 * @param parts all of them
 */
public record SuitePage(String file, SuiteView suite, int number, List<PagePart> parts) {

  private static final int AROUND = 3;

  /** Keeps its own list. */
  public SuitePage {
    parts = List.copyOf(parts);
  }

  /** Whether it is one of several. */
  public boolean isPart() {
    return parts.size() > 1;
  }

  /** Whether it leads to a page by its cases: to the first, the last and those around. */
  public boolean leadsTo(PagePart part) {
    return part.number() == 1
        || part.number() == parts.size()
        || Math.abs(part.number() - number) <= AROUND;
  }

  /** Whether pages are left out before a page that it leads to. */
  public boolean leavesOutBefore(PagePart part) {
    return part.number() > 1 && !leadsTo(parts.get(part.number() - 2));
  }

  /** The page before it; empty if it is the first. */
  public String previous() {
    return number == 1 ? "" : parts.get(number - 2).file();
  }

  /** The page after it; empty if it is the last. */
  public String next() {
    return number == parts.size() ? "" : parts.get(number).file();
  }
}
