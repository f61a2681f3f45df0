package org.oddlantern.internal.run;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.oddlantern.internal.blind.OnPurpose;
import org.oddlantern.internal.plan.Binding;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.RunEvent;

/**
 * Sees what cases that passed would notice, right after each, and tells of it. Knows which places are watched
 * already, which need not be tried again. Thread-safe.
 */
final class Examiner {

  private final Workshop workshop;
  private final Workshop again;
  private final BlindSpots wanted;
  private final OnPurpose onPurpose;
  private final Map<Integer, String> takers = new HashMap<>();
  private final Map<OperationRecord, Set<String>> watched = new ConcurrentHashMap<>();

  Examiner(Workshop workshop) {
    this.workshop = workshop;
    this.again = workshop.again();
    this.onPurpose = new OnPurpose(workshop.order().settings().unwatched());
    this.wanted = workshop.order().blindSpots();
    for (Planned one : workshop.order().plan().nodes()) {
      one.bound().bindings().values().forEach(source -> taken(source, one));
    }
  }

  private void taken(Binding source, Planned taker) {
    if (source instanceof Binding.Handed handed) {
      takers.putIfAbsent(handed.node(), taker.name());
    } else if (source instanceof Binding.OfAllSamples gathered) {
      gathered.nodes().forEach(node -> takers.putIfAbsent(node, taker.name()));
    } else if (source instanceof Binding.Supplied supplied) {
      supplied.bound().bindings().values().forEach(inner -> taken(inner, taker));
    }
  }

  /** Whether anybody wants to know. */
  boolean isWanted() {
    return wanted != BlindSpots.NONE;
  }

  /** Examines a case that has passed, in its lane, and tells what came of it. */
  void examine(PlannedCase one, Performance performance, Lane lane) {
    String id = workshop.masker().id(one.definition().id().toString());
    String taker = takers.getOrDefault(one.order(), "");
    Examination examination =
        new Examination(one, performance, new CaseAgain(again, one, performance), taker, this);
    long nanos = System.nanoTime();
    ExaminedRecord record;
    try {
      String reason = examination.done(lane);
      record = reason.isEmpty()
          ? examination.told(id, micros(nanos), workshop.masker())
          : ExaminedRecord.not(id, workshop.masker().text(reason), micros(nanos));
    } catch (Lane.Stopped e) {
      return;
    } catch (RuntimeException | StackOverflowError e) {
      // the case has passed, whatever is wrong here
      record = ExaminedRecord.not(id, "it could not be examined: " + e, micros(nanos));
    }
    workshop.broadcast().tell(new RunEvent.CaseExamined(record));
  }

  private static long micros(long nanos) {
    return (System.nanoTime() - nanos) / 1_000;
  }

  /** The places of an operation that some case watches by value. */
  Set<String> watched(OperationRecord operation) {
    Set<String> places = watched.get(operation);
    return places == null || wanted == BlindSpots.ALL ? Set.of() : Set.copyOf(places);
  }

  /** What the settings say that nobody need watch. */
  OnPurpose onPurpose() {
    return onPurpose;
  }

  /** Somebody has said of a place that is not there that nobody need watch it. */
  void unknown(String where, String place, String hint) {
    workshop
        .broadcast()
        .problem(workshop
            .masker()
            .text("%s names '%s', which is no place of any reply%s"
                .formatted(where, place, hint.isEmpty() ? "" : "; " + hint)));
  }

  /** All cases have been examined. */
  void ended() {
    if (isWanted()) {
      onPurpose
          .unknown(workshop.order().plan().whole())
          .forEach((place, hint) -> unknown("'unwatched' in the settings", place, hint));
    }
  }

  /** A case watches these by value. */
  void watches(OperationRecord operation, List<String> places) {
    watched.computeIfAbsent(operation, any -> ConcurrentHashMap.newKeySet()).addAll(places);
  }
}
