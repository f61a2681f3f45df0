package org.oddlantern.internal.reports.html;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.RunEvent;

/**
 * The first page.
 *
 * @param name what the run is about
 * @param verdict what came of it, in a sentence
 * @param passed whether everything passed
 * @param facts when, where and with which seed
 * @param warnings what was worth a look before the first call
 * @param problems what no case can be blamed for
 * @param glance what was wrong, in short; empty if it was in one case only
 * @param failures the cases that did not pass of themselves, as many as are told in full
 * @param moreFailures the other cases that did not pass of themselves
 * @param blocked the cases that did not run because of those, or since the run was stopped
 * @param leftBehind what could not be put back
 * @param notes cases that passed and want a look all the same, by what there is to say
 * @param changes what is different from an earlier run
 * @param suites all suites
 * @param drawing the run over time; null if nothing ran or nothing is to be told of it
 * @param slowest the slowest cases
 * @param history whether there is a page of earlier runs
 * @param promises how many promises of documents were kept; empty if there are none
 * @param watched how much of what came is watched; empty if nobody asked
 * @param described how much of descriptions was called; empty if there are none
 * @param words the words of outcomes that stand on this page
 * @param isLong whether there are too many cases to list them all here
 * @param notListed how many that did not pass are not listed among the failures
 */
public record IndexView(
    String name,
    String verdict,
    boolean passed,
    List<Fact> facts,
    List<String> warnings,
    List<String> problems,
    List<Glance> glance,
    List<CaseView> failures,
    List<CaseView> moreFailures,
    List<CaseView> blocked,
    List<RunEvent.PutBack> leftBehind,
    List<Note> notes,
    List<Fact> changes,
    List<SuiteView> suites,
    @Nullable LaneDrawing drawing,
    List<CaseView> slowest,
    boolean history,
    String promises,
    String watched,
    String described,
    List<String> words,
    boolean isLong,
    int notListed) {

  /**
   * What was wrong in cases that broke alike.
   *
   * @param amount how many cases, in words
   * @param words what was wrong
   * @param where the place in what came; empty if there is none
   * @param cases the cases, or the first of them
   * @param more how many others; 0 if there are none
   */
  public record Glance(String amount, String words, String where, List<Link> cases, int more) {}

  /**
   * What leads to a case.
   *
   * @param title its title
   * @param address its card on this page, or its place on that of its suite
   */
  public record Link(String title, String address) {}

  /**
   * Something worth knowing.
   *
   * @param name what it is
   * @param value what it is worth
   */
  public record Fact(String name, String value) {}

  /**
   * Cases of which there is the same to say.
   *
   * @param words what there is to say
   * @param cases the cases
   */
  public record Note(String words, List<CaseView> cases) {}
}
