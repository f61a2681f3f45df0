package org.oddlantern.reports.console;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.http.Verdict;
import org.oddlantern.json.Finding;
import org.oddlantern.reports.Amounts;
import org.oddlantern.run.BodyRecord;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.ExchangeRecord;
import org.oddlantern.run.Outcome;
import org.oddlantern.run.ProblemRecord;

/** What is told of a case below its line: nothing if all held, everything if something did not. */
final class CaseText {

  private static final int BODY = 1_000;
  private static final int STACK = 12;

  private final List<String> lines = new ArrayList<>();

  private CaseText() {}

  static List<String> of(CaseRecord one) {
    CaseText text = new CaseText();
    boolean passed = one.outcome() == Outcome.PASSED;
    if (one.problem() != null) {
      text.problem(one.problem(), one);
    }
    for (ExchangeRecord exchange : one.exchanges()) {
      if (exchange.isTroubled()) {
        text.troubled(exchange, !passed);
      } else if (!passed) {
        text.line(exchange.line() + ", answered " + exchange.answer() + " in "
            + Amounts.time(exchange.tookMicros()));
      }
    }
    if (!passed && text.lines.size() > 1) {
      text.lines.add("");
    }
    return text.lines;
  }

  private void problem(ProblemRecord problem, CaseRecord one) {
    boolean told =
        problem.type().isEmpty() && one.exchanges().stream().anyMatch(ExchangeRecord::isTroubled);
    String at = problem.at().isEmpty() ? one.place() : problem.at();
    if (one.outcome() == Outcome.BLOCKED) {
      line("by " + problem.message());
    } else if (told) {
      line("at " + at);
    } else {
      line("at " + at + (problem.type().isEmpty() ? "" : ", " + problem.type()));
      problem.message().lines().forEach(this::line);
    }
    problem
        .stack()
        .lines()
        .skip(problem.message().lines().count())
        .limit(STACK)
        .forEach(this::line);
  }

  private void troubled(ExchangeRecord exchange, boolean whole) {
    String name = exchange.name().isEmpty() ? "" : exchange.name() + ": ";
    String came = exchange.fault() == null ? ", answered " + exchange.answer() : " got no reply";
    line(name + exchange.line() + came + " after " + Amounts.time(exchange.tookMicros()));
    if (exchange.fault() != null) {
      line("  " + exchange.fault());
    }
    exchange.verdicts().stream().filter(verdict -> !verdict.holds()).forEach(this::verdict);
    if (whole) {
      body("sent", exchange.requestBody());
      body("came", exchange.replyBody());
    }
    line("  repeat    " + exchange.curl());
  }

  private void verdict(Verdict verdict) {
    line("  " + (verdict.warning() ? "warning: " : "") + verdict.check());
    for (Finding finding : verdict.findings()) {
      finding.lines().forEach(text -> line("    " + text));
    }
  }

  private void body(String word, BodyRecord body) {
    String text = body.text();
    if (text != null) {
      String shown = text.length() <= BODY
          ? text
          : text.substring(0, BODY) + "... (" + text.length()
              + " characters in all, see the report)";
      line("  %-9s %s".formatted(word, shown));
    } else if (body.bytes() > 0) {
      line("  %-9s %s that are no text".formatted(word, Amounts.size(body.bytes())));
    }
  }

  private void line(String text) {
    lines.add(Plain.line(text));
  }
}
