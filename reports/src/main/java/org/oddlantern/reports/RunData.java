package org.oddlantern.reports;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.Journal;
import org.oddlantern.run.RunEvent;

/**
 * A whole run as its journal tells it; what reports are made of. Immutable.
 *
 * @param started the beginning
 * @param cases the finished cases, and supplies that failed, in source order
 * @param supplied what supplies made, in source order
 * @param putBacks what was taken back, or could not be, in order
 * @param ended the end, or null if the run was cut off
 */
public record RunData(
    RunEvent.Started started,
    List<CaseRecord> cases,
    List<CaseRecord> supplied,
    List<RunEvent.PutBack> putBacks,
    RunEvent.@Nullable Ended ended) {

  /**
   * Reads a journal.
   *
   * @param journal the journal
   * @return the run
   * @throws IOException if it cannot be read or has no beginning
   */
  public static RunData of(Journal journal) throws IOException {
    List<RunEvent> events = new ArrayList<>();
    journal.read(events::add);
    if (events.isEmpty() || !(events.get(0) instanceof RunEvent.Started started)) {
      throw new IOException(
          journal.file() + " does not begin like a journal: its first line must be run-started");
    }
    List<CaseRecord> cases = new ArrayList<>();
    List<CaseRecord> supplied = new ArrayList<>();
    List<RunEvent.PutBack> putBacks = new ArrayList<>();
    RunEvent.Ended ended = null;
    for (RunEvent event : events) {
      if (event instanceof RunEvent.CaseFinished finished) {
        (finished.record().counts() ? cases : supplied).add(finished.record());
      } else if (event instanceof RunEvent.PutBack putBack) {
        putBacks.add(putBack);
      } else if (event instanceof RunEvent.Ended end) {
        ended = end;
      }
    }
    cases.sort(Comparator.comparingInt(CaseRecord::order));
    supplied.sort(Comparator.comparingInt(CaseRecord::order).thenComparing(CaseRecord::id));
    return new RunData(
        started, List.copyOf(cases), List.copyOf(supplied), List.copyOf(putBacks), ended);
  }

  /**
   * The cases by suite, in source order.
   *
   * @return suites by their binary class name
   */
  public Map<String, List<CaseRecord>> bySuite() {
    Map<String, List<CaseRecord>> suites = new LinkedHashMap<>();
    for (CaseRecord one : cases) {
      suites
          .computeIfAbsent(one.id().replaceAll("#.*", ""), key -> new ArrayList<>())
          .add(one);
    }
    return suites;
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
   * What could not be taken back.
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
   * The verdict in a sentence.
   *
   * @return what held and what did not
   */
  public String verdict() {
    return Verdicts.sentence(this);
  }
}
