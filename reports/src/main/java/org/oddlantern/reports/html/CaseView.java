package org.oddlantern.reports.html;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.reports.Amounts;
import org.oddlantern.reports.RunData;
import org.oddlantern.run.AskedRecord;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.Mark;
import org.oddlantern.run.Outcome;
import org.oddlantern.run.ProblemRecord;
import org.oddlantern.run.RecordKind;

/**
 * A case as a page shows it.
 *
 * @param anchor what leads to it on the page of its suite
 * @param page the page of its suite
 * @param word its outcome in a word
 * @param held whether it passed
 * @param title its title
 * @param suite the name of its suite
 * @param time how long it took
 * @param marks what else there is to say, in words
 * @param at the line of the suite to look at
 * @param problem the lines that say what ended it; empty if the exchanges say it
 * @param stack the stack trace; empty if there is none to show
 * @param before what was supplied for it, and its earlier tries
 * @param exchanges its calls and looks into databases
 * @param after what was put back after it
 * @param printed what it printed, by lines
 */
public record CaseView(
    String anchor,
    String page,
    String word,
    boolean held,
    String title,
    String suite,
    String time,
    List<String> marks,
    String at,
    List<String> problem,
    String stack,
    List<PieceView> before,
    List<ExchangeView> exchanges,
    List<PieceView> after,
    List<String> printed) {

  static CaseView of(CaseRecord one, String page, RunData run, Bodies bodies) {
    List<PieceView> before = new ArrayList<>();
    run.suppliedFor(one).forEach(supplied -> before.add(PieceView.supplied(supplied, bodies)));
    for (int i = 0; i < one.earlier().size(); i++) {
      before.add(PieceView.earlier(one.earlier().get(i), i + 1, bodies));
    }
    ProblemRecord problem = one.problem();
    return new CaseView(
        (one.kind() == RecordKind.CASE ? "case-" : "supply-") + one.order(),
        page,
        one.word(),
        one.outcome().isGreen(),
        one.title(),
        one.suite(),
        one.hasRun() ? Amounts.time(one.tookMicros()) : "",
        one.marks().stream()
            .filter(mark -> mark != Mark.UNPROVEN)
            .map(Mark::word)
            .toList(),
        problem == null || problem.at().isEmpty() ? one.place() : problem.at(),
        problem == null ? List.of() : lines(one, problem),
        problem == null ? "" : problem.stack(),
        before,
        new Views<>(one.asked(), asked -> ExchangeView.of(asked, bodies)),
        new Views<>(run.putBackFor(one), back -> PieceView.putBack(back, bodies)),
        one.printed().lines().toList());
  }

  private static List<String> lines(CaseRecord one, ProblemRecord problem) {
    boolean told =
        problem.type().isEmpty() && one.asked().stream().anyMatch(AskedRecord::isTroubled);
    if (one.outcome() == Outcome.KNOWN_FAULT) {
      return List.of(one.knownFault());
    }
    if (told) {
      return List.of();
    }
    String type = problem.type().isEmpty() ? "" : problem.type() + ": ";
    return (type + problem.message()).lines().toList();
  }

  /**
   * The calls that have something wrong with them.
   *
   * @return in order; empty if there are none
   */
  public List<ExchangeView> troubled() {
    return exchanges.stream().filter(ExchangeView::troubled).toList();
  }
}
