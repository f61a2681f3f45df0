package org.oddlantern.reports.html;

import java.util.List;
import org.oddlantern.run.RunEvent;

/**
 * The first page.
 *
 * @param name what the run is about
 * @param verdict what came of it, in a sentence
 * @param held whether everything held
 * @param facts when, where and with which seed
 * @param warnings what was worth a look before the first call
 * @param failures the cases that did not pass of themselves
 * @param blocked the cases that did not run because of those, or since the run was stopped
 * @param leftBehind what could not be taken back
 * @param suites all suites
 */
public record IndexView(
    String name,
    String verdict,
    boolean held,
    List<Fact> facts,
    List<String> warnings,
    List<CaseView> failures,
    List<CaseView> blocked,
    List<RunEvent.PutBack> leftBehind,
    List<SuiteView> suites) {

  /**
   * Something worth knowing.
   *
   * @param name what it is
   * @param value what it is worth
   */
  public record Fact(String name, String value) {}
}
