package org.oddlantern.internal.reports.html;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.VerdictGroup;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Nested;
import org.oddlantern.json.Finding;

/**
 * A call and its reply, or a query and its answer, as a page shows them.
 *
 * @param title what was asked, in words or as the line of the call
 * @param line the line of the call
 * @param seen whether something was looked at and nobody was asked
 * @param answer status and reason, or that there was no reply
 * @param time how long it took
 * @param fault why there is no reply; empty if there is one
 * @param failed the checks that do not hold, those that fail alike together
 * @param held the checks that hold, in words
 * @param requestHeaders the headers sent
 * @param requestBody the body sent
 * @param replyHeaders the headers that came
 * @param replyBody the body that came
 * @param curl a command line that repeats the call; empty if there is none
 * @param trace the trace it belongs to; empty if there is none
 * @param traceLink where it can be looked at; empty if nobody knows
 * @param log what the service said meanwhile; null if that is not known
 * @param visits what the service asked before it answered
 * @param visit whether a service asked it, and a stand-in answered
 */
public record ExchangeView(
    String title,
    String line,
    boolean seen,
    String answer,
    String time,
    String fault,
    List<VerdictGroup> failed,
    List<String> held,
    List<Header> requestHeaders,
    BodyView requestBody,
    List<Header> replyHeaders,
    BodyView replyBody,
    String curl,
    String trace,
    String traceLink,
    @Nullable LogRecord log,
    List<ExchangeView> visits,
    boolean visit) {

  static ExchangeView of(Nested one, Bodies bodies) {
    return one.asked() instanceof ExchangeRecord exchange
        ? of(exchange, one.visits(), bodies)
        : of((LookRecord) one.asked(), bodies);
  }

  private static ExchangeView of(LookRecord query, Bodies bodies) {
    BodyRecord answer = new BodyRecord(query.answer().length(), query.answer(), null, List.of());
    return new ExchangeView(
        (query.isOfDatabase() ? "look into " : "look at ") + query.at(),
        query.statement(),
        !query.isOfDatabase(),
        query.amount(),
        Amounts.time(query.tookMicros()),
        query.fault() == null ? "" : query.fault(),
        VerdictGroup.failed(query.verdicts()),
        query.verdicts().stream().filter(Verdict::holds).map(Verdict::words).toList(),
        List.of(),
        BodyView.ofQuery(query.sql(), query.parameters()),
        List.of(),
        BodyView.of(answer, bodies, findings(query.verdicts(), false)),
        "",
        "",
        "",
        null,
        List.of(),
        false);
  }

  private static ExchangeView of(
      ExchangeRecord exchange, List<ExchangeRecord> visits, Bodies bodies) {
    return new ExchangeView(
        exchange.isVisit() ? "asked by the service: " + exchange.service() : exchange.name(),
        exchange.line(),
        false,
        exchange.answer(),
        Amounts.time(exchange.tookMicros()),
        exchange.fault() == null ? "" : exchange.fault(),
        VerdictGroup.failed(exchange.verdicts()),
        exchange.verdicts().stream().filter(Verdict::holds).map(Verdict::words).toList(),
        exchange.requestHeaders(),
        BodyView.of(exchange.requestBody(), bodies, findings(exchange.verdicts(), true))
            .typed(exchange.requestHeaders())
            .sentFrom(exchange.sentFile(), bodies),
        exchange.replyHeaders(),
        BodyView.of(exchange.replyBody(), bodies, findings(exchange.verdicts(), false))
            .typed(exchange.replyHeaders()),
        exchange.isVisit() ? "" : exchange.curl(bodies.folder()),
        exchange.trace(),
        exchange.traceLink(),
        exchange.log(),
        visits.stream().map(visit -> of(visit, List.of(), bodies)).toList(),
        exchange.isVisit());
  }

  private static List<Finding> findings(List<Verdict> verdicts, boolean sent) {
    return verdicts.stream()
        .filter(verdict -> verdict.sent() == sent)
        .flatMap(verdict -> verdict.findings().stream())
        .toList();
  }

  /**
   * How many checks hold, in words.
   *
   * @return {@code 2 checks hold}, or that nothing was checked
   */
  public String heldWords() {
    return held.isEmpty()
        ? "nothing checked"
        : Amounts.of(held.size(), "check") + (held.size() == 1 ? " holds" : " hold");
  }

  /**
   * Whether something is wrong with it.
   *
   * @return true if a check does not hold or no reply came
   */
  public boolean troubled() {
    return !failed.isEmpty()
        || !fault.isEmpty()
        || visits.stream().anyMatch(ExchangeView::troubled);
  }
}
