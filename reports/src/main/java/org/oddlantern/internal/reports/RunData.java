package org.oddlantern.internal.reports;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RunEvent;

/** A whole run as its journal tells it; what reports are made of. Immutable and thread-safe. */
public final class RunData {

  private final RunEvent.Started started;
  private final List<CaseRecord> cases;
  private final Map<String, List<CaseRecord>> own;
  private final List<RunEvent.PutBack> putBacks;
  private final Map<String, List<RunEvent.PutBack>> back;
  private final RunEvent.@Nullable Ended ended;
  private final Troubles troubles;
  private final Map<String, CaseRecord> byId;
  private final StoredCases stored;
  private final KeptPromises promises;
  private final ExaminedRun examined;
  private final DescribedRun described;

  RunData(
      RunEvent.Started started,
      List<CaseRecord> cases,
      List<CaseRecord> supplied,
      List<RunEvent.PutBack> putBacks,
      RunEvent.@Nullable Ended ended,
      Troubles troubles,
      List<RunEvent.Promised> promised,
      ExaminedRun examined,
      DescribedRun described,
      StoredCases stored) {
    this.examined = examined;
    this.described = described;
    this.started = started;
    this.cases = List.copyOf(cases);
    this.own = supplied.stream().collect(Collectors.groupingBy(CaseRecord::whose));
    this.putBacks = List.copyOf(putBacks);
    this.back = putBacks.stream().collect(Collectors.groupingBy(RunEvent.PutBack::id));
    this.ended = ended;
    this.troubles = troubles;
    this.byId = Stream.concat(cases.stream(), supplied.stream())
        .collect(Collectors.toMap(CaseRecord::id, one -> one, (one, again) -> one));
    this.stored = stored;
    this.promises = new KeptPromises(promised, id -> {
      CaseRecord one = byId.get(id);
      return one == null ? null : Keeping.of(one);
    });
  }

  /**
   * Reads a journal.
   *
   * @param journal the journal
   * @return the run
   * @throws IOException if it cannot be read or has no beginning
   */
  public static RunData of(Journal journal) throws IOException {
    return of(journal, Map.of());
  }

  /**
   * Reads a journal, and holds it against descriptions of which it does not know.
   *
   * @param descriptions by the name of the service; an empty name is that of every service
   */
  public static RunData of(Journal journal, Map<String, ApiDocument> descriptions)
      throws IOException {
    StoredCases stored = StoredCases.of(journal);
    SortedEvents sorted = new SortedEvents(descriptions);
    List<RunEvent> events = new ArrayList<>();
    journal.readPlaced((event, place) -> events.add(
        event instanceof RunEvent.CaseFinished finished
            ? new RunEvent.CaseFinished(stored.keep(finished.record(), place))
            : event));
    return of(journal, events, stored, sorted);
  }

  static RunData of(
      Journal journal, List<RunEvent> events, StoredCases stored, SortedEvents sorting)
      throws IOException {
    if (events.isEmpty() || !(events.get(0) instanceof RunEvent.Started started)) {
      throw new IOException(
          journal.file() + " does not begin like a journal: its first line must be run-started");
    }
    events.forEach(sorting::take);
    return sorting.data(started, stored, sorting.described(journal));
  }

  /**
   * The beginning.
   *
   * @return as it was told
   */
  public RunEvent.Started started() {
    return started;
  }

  /**
   * The finished cases, and supplies that failed.
   *
   * @return in source order
   */
  public List<CaseRecord> cases() {
    return cases;
  }

  /**
   * What no case can be blamed for.
   *
   * @return the problems of the run, as sentences
   */
  public List<String> problems() {
    return troubles.problems();
  }

  /**
   * What became of what documents promise.
   *
   * @return the promises; without documents if there are none
   */
  public KeptPromises promises() {
    return promises;
  }

  /**
   * What its cases would notice.
   *
   * @return the places; empty if nobody asked
   */
  public ExaminedRun examined() {
    return examined;
  }

  /**
   * What it has seen of the descriptions of its services.
   *
   * @return the descriptions; empty if there are none
   */
  public DescribedRun described() {
    return described;
  }

  /** What became of good values that cases have changed. */
  public TriedRecipes recipes() {
    TriedRecipes recipes = new TriedRecipes();
    cases.forEach(one ->
        recipes.add(one.head().recipe() == null || one.outcome().isGreen() ? one : whole(one)));
    return recipes;
  }

  /**
   * What deserves a look.
   *
   * @return the warnings told at its beginning and at its end
   */
  public List<String> warnings() {
    return Stream.concat(
            started.warnings().stream(), ended == null ? Stream.empty() : ended.warnings().stream())
        .toList();
  }

  /**
   * How far a run came that has no end.
   *
   * @return a sentence that names the cases that were under way
   */
  public String cutOff() {
    return troubles.cutOff(cases, started.cases());
  }

  /**
   * The end.
   *
   * @return as it was told; null if the run was cut off
   */
  public RunEvent.@Nullable Ended ended() {
    return ended;
  }

  /**
   * Where the journal lies.
   *
   * @return its folder, as the journal was named
   */
  public Path folder() {
    return stored.folder();
  }

  /**
   * A case or supply by what it is known by.
   *
   * @param id what it is known by
   * @return its record; null if there is none
   */
  public @Nullable CaseRecord byId(String id) {
    return byId.get(id);
  }

  /**
   * A case or supply with all that was sent, came, was printed and kept. Those of a long journal are in
   * memory without it.
   *
   * @param one one of this run
   * @return the same in full
   * @throws UncheckedIOException if the journal cannot be read again
   */
  public CaseRecord whole(CaseRecord one) {
    return stored.whole(one);
  }

  /** The same, if it has a problem, has printed something, or was tried before; else maybe less. */
  public CaseRecord spoken(CaseRecord one) {
    return stored.spoken(one);
  }

  /**
   * How much there is to tell of a case or supply, with what was made for it.
   *
   * @param one one of this run
   * @return about how many octets of a page
   */
  public long share(CaseRecord one) {
    long share = stored.share(one);
    for (CaseRecord supplied : suppliedFor(one)) {
      share += stored.share(supplied);
    }
    return share;
  }

  /**
   * The cases that broke, those together that broke alike.
   *
   * @return by what was wrong, without those that did not run
   */
  public List<Likeness> alike() {
    return Likeness.among(notPassed().stream()
        .filter(CaseRecord::hasRun)
        .map(one -> new Likeness.Broken(one, Symptom.of(whole(one))))
        .toList());
  }

  /**
   * The cases by suite, in source order.
   *
   * @return suites by their binary class name
   */
  public Map<String, List<CaseRecord>> bySuite() {
    Map<String, List<CaseRecord>> suites = new LinkedHashMap<>();
    for (CaseRecord one : cases) {
      suites.computeIfAbsent(one.type(), key -> new ArrayList<>()).add(one);
    }
    return suites;
  }

  /**
   * What was supplied for one case alone.
   *
   * @param one the case
   * @return in order
   */
  public List<CaseRecord> suppliedFor(CaseRecord one) {
    return own.getOrDefault(one.id(), List.of());
  }

  /**
   * What shared supplies made.
   *
   * @return in source order
   */
  public List<CaseRecord> shared() {
    return own.getOrDefault("", List.of());
  }

  /**
   * What was put back, or could not be, that a case or supply made.
   *
   * @param one the case or supply
   * @return in order
   */
  public List<RunEvent.PutBack> putBackFor(CaseRecord one) {
    return back.getOrDefault(one.id(), List.of());
  }

  /**
   * The cases with which the build may not be green.
   *
   * @return in source order
   */
  public List<CaseRecord> notPassed() {
    return cases.stream().filter(one -> !one.outcome().isGreen()).toList();
  }

  /**
   * What could not be put back.
   *
   * @return in order
   */
  public List<RunEvent.PutBack> leftBehind() {
    return putBacks.stream().filter(RunEvent.PutBack::leftBehind).toList();
  }

  /**
   * How long the run took, as far as it is known.
   *
   * @return from its start to its end, or to the end of the last case
   */
  public Duration took() {
    if (ended != null) {
      return Duration.ofNanos(ended.tookMicros() * 1_000);
    }
    return cases.stream()
        .map(one -> Duration.between(started.startedAt(), one.startedAt())
            .plusNanos(one.tookMicros() * 1_000))
        .max(Comparator.naturalOrder())
        .orElse(Duration.ZERO);
  }

  /**
   * The title of a case or supply.
   *
   * @param id what it is known by
   * @return suite and title; what it is known by, if it is not in this journal
   */
  public String titleOf(String id) {
    CaseRecord one = byId.get(id);
    return one == null ? id.replaceAll("^.*\\.", "") : one.suite() + ": " + one.title();
  }

  /**
   * The cases that took longest, if there are enough to tell.
   *
   * @param most how many at most
   * @return the slowest first
   */
  public List<CaseRecord> slowest(int most) {
    return cases.size() < 2
        ? List.of()
        : cases.stream()
            .filter(CaseRecord::hasRun)
            .sorted(Comparator.comparingLong(CaseRecord::tookMicros).reversed())
            .limit(most)
            .toList();
  }

  /**
   * The cases with a mark.
   *
   * @param mark the mark
   * @return in source order
   */
  public List<CaseRecord> marked(Mark mark) {
    return cases.stream().filter(one -> one.marks().contains(mark)).toList();
  }

  /**
   * The verdict in a sentence.
   *
   * @return how many passed, and what became of the others
   */
  public String verdict() {
    return Verdicts.sentence(this);
  }
}
