package org.oddlantern.internal.reports.html;

import java.util.List;

/**
 * A suite or one of its sections as a page shows it.
 *
 * @param name its name, for a section without that of the suite around it
 * @param anchor what leads to it on its page
 * @param page the file name of its page, the first if there are several; empty if it has none
 * @param summary how its cases ended, in words
 * @param passed whether all passed
 * @param cases its own cases in source order
 * @param sections its sections
 * @param parts the pages among which its cases are dealt; none for a section
 */
public record SuiteView(
    String name,
    String anchor,
    String page,
    String summary,
    boolean passed,
    List<CaseView> cases,
    List<SuiteView> sections,
    List<PagePart> parts) {

  /** Whether one page is enough. */
  public boolean isShort() {
    return parts.size() < 2;
  }
}
