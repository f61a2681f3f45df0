package org.oddlantern.internal.reports.console;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.VerdictGroup;
import org.oddlantern.internal.record.AskedRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Nested;
import org.oddlantern.json.Finding;

/** What is told of a case below its line: nothing if all checks held, everything if something did not. */
public final class CaseText {

  private static final int BODY = 1_000;
  private static final int SHORT = 200;
  private static final int STACK = 12;

  private final Path folder;
  private final List<String> lines = new ArrayList<>();

  private CaseText(Path folder) {
    this.folder = folder;
  }

  /**
   * The lines.
   *
   * @param one the case
   * @param detail how much is wanted
   * @param folder the folder of the journal
   * @return the lines, without an indentation of their own
   */
  public static List<String> of(CaseRecord one, Detail detail, Path folder) {
    CaseText text = new CaseText(folder);
    boolean every = detail == Detail.EXCHANGES;
    if (one.outcome().isGreen() && one.outcome() != Outcome.PASSED) {
      text.notRun(one);
      return text.lines;
    }
    if (one.problem() != null) {
      text.problem(one.problem(), one);
    }
    text.asked(one, every);
    return text.lines;
  }

  /**
   * The lines of what a case asked and printed, without its own problem.
   *
   * @param one the case
   * @param folder the folder of the journal
   * @return the lines, without an indentation of their own
   */
  public static List<String> asked(CaseRecord one, Path folder) {
    CaseText text = new CaseText(folder);
    text.asked(one, false);
    return text.lines;
  }

  private void asked(CaseRecord one, boolean every) {
    boolean passed = one.outcome() == Outcome.PASSED;
    for (Nested nested : Nested.of(one.asked())) {
      AskedRecord asked = nested.asked();
      if (asked.isTroubled() || every) {
        troubled(nested, !passed || every);
      } else if (!passed || nested.visits().stream().anyMatch(AskedRecord::isTroubled)) {
        line(asker(asked) + asked.line() + ", " + answer(asked) + " in "
            + Amounts.time(asked.tookMicros()));
        nested.visits().forEach(this::visit);
      }
    }
    one.printed().lines().forEach(line -> line("printed   " + line));
  }

  /** Why it did not run, or where its fault is noted; no more, since nobody has to look. */
  private void notRun(CaseRecord one) {
    ProblemRecord problem = one.problem();
    if (one.outcome() == Outcome.KNOWN_FAULT) {
      line(one.knownFault()
          + (problem == null || problem.at().isEmpty() ? "" : ", at " + problem.at()));
    } else if (one.outcome() == Outcome.SKIPPED && problem != null) {
      problem.message().lines().forEach(this::line);
    }
  }

  private void problem(ProblemRecord problem, CaseRecord one) {
    boolean told =
        problem.type().isEmpty() && one.asked().stream().anyMatch(AskedRecord::isTroubled);
    String at = problem.at().isEmpty() ? one.place() : problem.at();
    if (one.outcome() == Outcome.BLOCKED) {
      line(problem.message());
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

  /** Between the call and what came of it something else was asked. */
  private void visit(ExchangeRecord visit) {
    String body = visit.replyBody().text();
    line("  asked     by the service: " + visit.service() + ", " + visit.line() + ", answered "
        + visit.answer()
        + (body == null || body.length() > SHORT ? "" : ": " + body));
    VerdictGroup.failed(visit.verdicts()).forEach(this::verdicts);
  }

  private static String asker(AskedRecord asked) {
    return asked instanceof ExchangeRecord exchange && exchange.isVisit()
        ? "asked by the service: " + exchange.service() + ", "
        : "";
  }

  private static String answer(AskedRecord asked) {
    return asked instanceof ExchangeRecord exchange
        ? "answered " + exchange.answer()
        : (((LookRecord) asked).isOfDatabase() ? "answered " : "seen ")
            + ((LookRecord) asked).amount();
  }

  private void troubled(Nested nested, boolean whole) {
    AskedRecord asked = nested.asked();
    if (asked instanceof ExchangeRecord exchange) {
      troubled(exchange, nested.visits(), whole);
    } else if (asked instanceof LookRecord query) {
      troubled(query, whole);
    }
  }

  private void troubled(LookRecord query, boolean whole) {
    if (query.isOfDatabase()) {
      line(query.line()
          + (query.fault() == null
              ? ", answered " + query.amount() + " in "
              : " got no answer after ")
          + Amounts.time(query.tookMicros()));
    } else {
      line(query.line() + ", seen " + query.amount());
    }
    if (query.fault() != null) {
      line("  " + query.fault());
    }
    VerdictGroup.failed(query.verdicts()).forEach(this::verdicts);
    if (whole && query.fault() == null) {
      String answer = query.answer();
      line(
          "  received  " + (answer.length() <= BODY ? answer : answer.substring(0, SHORT) + "..."));
    }
  }

  private void troubled(ExchangeRecord exchange, List<ExchangeRecord> visits, boolean whole) {
    String name = exchange.name().isEmpty() ? asker(exchange) : exchange.name() + ": ";
    String came = exchange.fault() == null
        ? ", answered " + exchange.answer() + " in "
        : " got no reply after ";
    line(name + exchange.line() + came + Amounts.time(exchange.tookMicros()));
    if (exchange.fault() != null) {
      exchange.fault().lines().forEach(text -> line("  " + text));
    }
    VerdictGroup.failed(exchange.verdicts()).forEach(this::verdicts);
    if (whole) {
      body("sent", exchange.requestBody(), List.of());
    }
    visits.forEach(this::visit);
    if (whole) {
      body("received", exchange.replyBody(), exchange.verdicts());
    }
    LogRecord log = exchange.log();
    if (log != null) {
      line("  log       " + said(log));
    }
    if (exchange.isTroubled()) {
      if (!exchange.trace().isEmpty()) {
        String link = exchange.traceLink();
        line("  trace     " + (link.isEmpty() ? exchange.trace() : link));
      }
      if (!exchange.isVisit()) {
        line("  repeat    " + exchange.curl(folder));
      }
    }
  }

  /** The first thing thrown, else how much there is to read in the report. */
  private static String said(LogRecord log) {
    String what = log.exception().isEmpty()
        ? Amounts.of(log.lines().size(), "line") + ", the first: " + log.lines().get(0)
        : log.exception();
    return log.named() ? what : what + " (written meanwhile; it names neither trace nor case)";
  }

  private void verdicts(VerdictGroup group) {
    group.checks().forEach(check -> line("  " + (group.warning() ? "warning: " : "") + check));
    for (Finding finding : group.findings()) {
      finding.lines().forEach(text -> line("    " + text));
    }
  }

  private void body(String word, BodyRecord body, List<Verdict> verdicts) {
    String text = body.text();
    if (text != null && text.length() <= BODY) {
      line("  %-9s %s".formatted(word, text));
    } else if (text != null) {
      line(String.format(
          Locale.ROOT,
          "  %-9s %s... (%d characters in all, see the report)",
          word,
          text.substring(0, SHORT),
          text.length()));
      BodyExcerpts.of(text, verdicts).forEach(part -> line("  %-9s %s".formatted("", part)));
    } else if (!body.parts().isEmpty()) {
      line("  %-9s %s in %s"
          .formatted(word, Amounts.size(body.bytes()), Amounts.of(body.parts().size(), "part")));
      body.parts().forEach(part -> line("  %-9s   %s".formatted("", part.words())));
    } else if (body.bytes() > 0) {
      line("  %-9s %s, %s"
          .formatted(
              word,
              Amounts.size(body.bytes()),
              body.file() == null ? "which are no text" : "see the report"));
    }
  }

  private void line(String text) {
    lines.add(Plain.line(text));
  }
}
