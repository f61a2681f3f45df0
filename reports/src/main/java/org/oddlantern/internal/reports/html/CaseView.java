package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.AskedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Nested;
import org.oddlantern.internal.reports.RunData;

/**
 * A case as a page shows it.
 *
 * @param anchor what leads to it on the page of its suite
 * @param page the page of its suite
 * @param word its outcome in a word
 * @param passed whether it passed
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
 * @param story its parts in words and what it asked, in order
 * @param source its code, if it was found; null else
 * @param kept what it kept
 * @param waitedFor what had to come before it, in words
 */
public record CaseView(
    String anchor,
    String page,
    String word,
    boolean passed,
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
    List<String> printed,
    List<StoryView> story,
    @Nullable SourceView source,
    List<KeptView> kept,
    List<String> waitedFor) {

  static CaseView of(CaseRecord one, String page, RunData run, Bodies bodies) {
    ProblemRecord problem = one.problem();
    return new CaseView(
        anchor(one),
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
        before(one, run, bodies),
        new Views<>(Nested.of(one.asked()), asked -> ExchangeView.of(asked, bodies)),
        new Views<>(run.putBackFor(one), back -> PieceView.putBack(back, bodies)),
        one.printed().lines().toList(),
        story(one, bodies),
        source(one),
        one.kept().stream().map(kept -> kept(kept, bodies)).toList(),
        one.waitedFor().stream()
            .filter(id -> !id.equals(one.id()))
            .map(run::titleOf)
            .distinct()
            .toList());
  }

  private static @Nullable SourceView source(CaseRecord one) {
    ProblemRecord problem = one.problem();
    SourceRecord source =
        problem == null || problem.source() == null ? one.source() : problem.source();
    return source == null ? null : SourceView.of(source);
  }

  private static List<PieceView> before(CaseRecord one, RunData run, Bodies bodies) {
    List<Supplier<PieceView>> before = new ArrayList<>();
    run.suppliedFor(one)
        .forEach(supplied -> before.add(() -> PieceView.supplied(run.whole(supplied), bodies)));
    for (int i = 0; i < one.earlier().size(); i++) {
      AttemptRecord earlier = one.earlier().get(i);
      int number = i + 1;
      before.add(() -> PieceView.earlier(earlier, number, bodies));
    }
    return new Views<>(before, Supplier::get);
  }

  /** What leads to a case, on the page of its suite and from what is told of it on the first page. */
  static String anchor(CaseRecord one) {
    return (one.kind() == RecordKind.CASE ? "case-" : "supply-") + one.order();
  }

  /** Made when it is looked at, like everything with bodies in it. */
  private static List<StoryView> story(CaseRecord one, Bodies bodies) {
    List<Object> records = new ArrayList<>();
    List<AskedRecord> all = one.asked();
    int asked = 0;
    for (StepRecord step : one.steps()) {
      int end = Math.max(asked, Math.min(step.after(), all.size()));
      records.addAll(Nested.of(all.subList(asked, end)));
      asked = end;
      records.add(step);
    }
    records.addAll(Nested.of(all.subList(asked, all.size())));
    return new Views<>(
        records,
        each -> each instanceof StepRecord step
            ? new StoryView(step.words(), null)
            : new StoryView("", ExchangeView.of((Nested) each, bodies)));
  }

  private static KeptView kept(KeptRecord kept, Bodies bodies) {
    String file = String.valueOf(kept.file());
    return new KeptView(
        kept.name(),
        kept.contentType() + ", " + Amounts.size(kept.bytes()),
        kept.file() == null ? "" : bodies.link(file),
        file.matches(".*\\.(png|jpg|gif)"));
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
