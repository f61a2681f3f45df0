package org.oddlantern.internal.reports.html;

import java.util.List;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Nested;

/**
 * What belongs to a case but is not its last try: what was supplied for it, an earlier try, what was put
 * back after it.
 *
 * @param word what it is
 * @param title what it is about
 * @param time how long it took; empty if nobody knows
 * @param problem what went wrong, by lines; empty if nothing did
 * @param exchanges its calls
 */
public record PieceView(
    String word, String title, String time, List<String> problem, List<ExchangeView> exchanges) {

  static PieceView supplied(CaseRecord one, Bodies bodies) {
    return new PieceView(
        one.word(),
        one.title(),
        Amounts.time(one.tookMicros()),
        List.of(),
        exchanges(one.exchanges(), bodies));
  }

  static PieceView earlier(AttemptRecord one, int number, Bodies bodies) {
    ProblemRecord problem = one.problem();
    return new PieceView(
        "try " + number + " " + one.outcome().word(),
        problem == null ? "" : problem.at(),
        Amounts.time(one.tookMicros()),
        problem == null ? List.of() : problem.message().lines().toList(),
        exchanges(one.exchanges(), bodies));
  }

  static PieceView putBack(RunEvent.PutBack one, Bodies bodies) {
    return new PieceView(
        one.leftBehind() ? "left behind" : "put back",
        one.deed(),
        "",
        one.problem().lines().toList(),
        exchanges(one.exchanges(), bodies));
  }

  private static List<ExchangeView> exchanges(List<ExchangeRecord> all, Bodies bodies) {
    return new Views<>(Nested.of(List.copyOf(all)), exchange -> ExchangeView.of(exchange, bodies));
  }
}
