package org.oddlantern.reports.html;

import java.util.List;

/**
 * A suite as a page shows it.
 *
 * @param name its name
 * @param page the file name of its page
 * @param summary how its cases ended, in words
 * @param held whether all passed
 * @param cases its cases in source order
 */
public record SuiteView(
    String name, String page, String summary, boolean held, List<CaseView> cases) {}
