package org.oddlantern.internal.reports.html;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Comparison;
import org.oddlantern.internal.reports.Keeping;
import org.oddlantern.internal.reports.KeptPromises;
import org.oddlantern.internal.reports.Likeness;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunData;

/** Gathers what stands on the first page. */
final class Index {

  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern(
          "d MMMM yyyy, HH:mm:ss 'UTC'", Locale.ENGLISH)
      .withZone(ZoneOffset.UTC);

  /** What somebody reads; the others are lines. */
  private static final int MOST_CARDS = 40;

  private static final int MOST_ROWS = 10_000;
  private static final int MOST_LINES = 1_000;
  private static final int MOST_LINKS = 12;
  private static final int SLOWEST = 8;

  private final RunData run;
  private final Bodies bodies;
  private final ReportScope scope;
  private final SuiteTree suites;

  Index(RunData run, Bodies bodies, ReportScope scope) {
    this.run = run;
    this.bodies = bodies;
    this.scope = scope;
    this.suites = new SuiteTree(run, scope.pages());
  }

  /** The pages of suites with all that they tell. */
  List<SuitePage> pages() {
    return suites.pages(this::view);
  }

  /** Where a case is told; empty if it is not. */
  String address(String id) {
    CaseRecord one = run.byId(id);
    String page = one == null ? "" : suites.page(one);
    return one == null || page.isEmpty() ? "" : page + "#" + CaseView.anchor(one);
  }

  /** What documents promise; null if there are none. */
  @Nullable
  PromisesView promises() {
    KeptPromises promises = run.promises();
    if (promises.documents().isEmpty()) {
      return null;
    }
    List<PromisesView.DocumentView> documents = new ArrayList<>();
    for (PromiseDocument one : promises.documents()) {
      documents.add(
          new DocumentPage(run, one, documents.size() + 1, scope.pages(), this::view).view());
    }
    return new PromisesView(run.started().name(), promises.sentence(), isKept(promises), documents);
  }

  /** What nobody would notice; null if nobody asked. */
  @Nullable
  BlindSpotsView blindSpots() {
    return run.examined().isEmpty() || scope.pages() == PageDetail.COUNTS
        ? null
        : new BlindSpotsPage(run, bodies, this::address).view();
  }

  /** What was seen of descriptions; null if there are none. */
  @Nullable
  DescriptionView description() {
    return run.described().isEmpty() || scope.pages() == PageDetail.COUNTS
        ? null
        : new DescriptionPage(run, this::address).view();
  }

  private static boolean isKept(KeptPromises promises) {
    return !promises.counts().containsKey(Keeping.BROKEN)
        && !promises.counts().containsKey(Keeping.NOT_TRIED);
  }

  private CaseView view(CaseRecord one) {
    return CaseView.of(run.whole(one), suites.page(one), run, bodies);
  }

  /** For a list, which shows little of it. */
  private CaseView row(CaseRecord one) {
    return CaseView.of(one, suites.page(one), run, bodies);
  }

  /** Whether the cases are too many for one page, so that only what is wrong is listed. */
  boolean isLong() {
    return run.cases().size() > MOST_ROWS;
  }

  IndexView view() {
    List<CaseRecord> broken = run.notPassed();
    List<CaseRecord> ran = broken.stream().filter(CaseRecord::hasRun).toList();
    boolean told = scope.pages() != PageDetail.COUNTS;
    List<Likeness> alike = told ? run.alike() : List.of();
    Set<CaseRecord> cards = cards(alike, ran);
    return new IndexView(
        run.started().name(),
        run.verdict(),
        broken.isEmpty()
            && run.leftBehind().isEmpty()
            && run.problems().isEmpty()
            && run.ended() != null,
        facts(),
        run.warnings(),
        run.problems(),
        ran.size() > 1 ? glance(alike, cards) : List.of(),
        whole(ran.stream().filter(cards::contains)),
        told ? whole(lines(ran, one -> !cards.contains(one))) : List.of(),
        told ? rows(lines(broken, one -> !one.hasRun()).toList()) : List.of(),
        told ? run.leftBehind() : List.of(),
        told ? notes() : List.of(),
        told ? changes() : List.of(),
        suites.views(this::row, isLong()),
        told ? LaneDrawing.of(run) : null,
        told ? rows(run.slowest(SLOWEST)) : List.of(),
        scope.history() != null,
        run.promises().documents().isEmpty() ? "" : run.promises().sentence(),
        told && !run.examined().isEmpty() ? run.examined().sentence() : "",
        told && !run.described().isEmpty() ? run.described().sentence() : "",
        Stream.concat(run.cases().stream(), run.shared().stream())
            .map(CaseRecord::word)
            .distinct()
            .toList(),
        told && isLong(),
        told ? beyond(ran.size() - cards.size()) + beyond(broken.size() - ran.size()) : 0);
  }

  /** As many as a page lists. */
  private static Stream<CaseRecord> lines(List<CaseRecord> all, Predicate<CaseRecord> some) {
    return all.stream().filter(some).limit(MOST_LINES);
  }

  private static int beyond(int count) {
    return Math.max(0, count - MOST_LINES);
  }

  /** What gets a card: of everything that was wrong one case, then others as there is room. */
  private static Set<CaseRecord> cards(List<Likeness> alike, List<CaseRecord> ran) {
    Set<CaseRecord> cards = Collections.newSetFromMap(new IdentityHashMap<>());
    if (!alike.isEmpty()) {
      Stream.concat(alike.stream().map(one -> one.cases().get(0)), ran.stream())
          .takeWhile(one -> cards.size() < MOST_CARDS)
          .forEach(cards::add);
    }
    return cards;
  }

  private List<IndexView.Glance> glance(List<Likeness> alike, Set<CaseRecord> cards) {
    return alike.stream()
        .limit(MOST_CARDS)
        .map(one -> new IndexView.Glance(
            Amounts.of(one.cases().size(), "case"),
            one.symptom().words(),
            one.symptom().where(),
            one.cases().stream()
                .limit(MOST_LINKS)
                .map(each -> new IndexView.Link(
                    each.title(),
                    (cards.contains(each) ? "" : suites.page(each)) + "#" + CaseView.anchor(each)))
                .toList(),
            Math.max(0, one.cases().size() - MOST_LINKS)))
        .toList();
  }

  private List<CaseView> whole(Stream<CaseRecord> records) {
    return new Views<>(records.toList(), this::view);
  }

  private List<CaseView> rows(List<CaseRecord> records) {
    return new Views<>(records, this::row);
  }

  private List<IndexView.Note> notes() {
    List<IndexView.Note> notes = new ArrayList<>();
    note(notes, "passed, with a warning", run.marked(Mark.WARNED));
    note(notes, "checked nothing", run.marked(Mark.UNPROVEN));
    note(notes, "passed only after it had failed", run.marked(Mark.FLAKY));
    note(notes, "passed, though a fault is noted", run.marked(Mark.FIXED));
    note(
        notes,
        "fails, as is known",
        run.cases().stream().filter(one -> one.outcome() == Outcome.KNOWN_FAULT).toList());
    return notes;
  }

  private void note(List<IndexView.Note> notes, String words, List<CaseRecord> cases) {
    List<CaseRecord> green =
        cases.stream().filter(one -> one.outcome().isGreen()).limit(MOST_CARDS).toList();
    if (!green.isEmpty()) {
      notes.add(new IndexView.Note(words, rows(green)));
    }
  }

  private List<IndexView.Fact> changes() {
    Comparison comparison = scope.comparison();
    if (comparison == null) {
      return List.of();
    }
    List<IndexView.Fact> changes = new ArrayList<>();
    changes.add(new IndexView.Fact(
        "compared with",
        WHEN.format(comparison.before().started().startedAt()) + ", run "
            + comparison.before().started().run()));
    if (comparison.isEmpty()) {
      changes.add(new IndexView.Fact("nothing", "every case went as it had gone"));
    }
    for (String line : comparison.lines()) {
      int end = line.indexOf("  ");
      changes.add(new IndexView.Fact(line.substring(0, end), line.substring(end + 2)));
    }
    return changes;
  }

  private List<IndexView.Fact> facts() {
    List<IndexView.Fact> facts = new ArrayList<>(List.of(
        new IndexView.Fact("environment", run.started().environment()),
        new IndexView.Fact("begun", WHEN.format(run.started().startedAt())),
        new IndexView.Fact("took", Amounts.time(run.took()))));
    if (run.started().lanes() > 1) {
      facts.add(new IndexView.Fact("lanes", String.valueOf(run.started().lanes())));
    }
    if (!run.started().part().isEmpty()) {
      facts.add(new IndexView.Fact("part", run.started().part()));
    }
    facts.add(new IndexView.Fact("run", run.started().run()));
    facts.add(new IndexView.Fact("seed", run.started().seed()));
    return facts;
  }
}
