package org.oddlantern.internal.reports;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.WatchedPlace;

/** An operation as the cases of a run watch it. */
public final class WatchedOperation {

  private static final Comparator<String> IN_ORDER =
      Comparator.comparingInt(WatchedOperation::rank).thenComparing(Comparator.naturalOrder());

  private final OperationRecord operation;
  private final Map<String, Seen> places = new TreeMap<>(IN_ORDER);
  private final Map<String, Integer> cases = new LinkedHashMap<>();
  private String sample = "";
  private int number;

  WatchedOperation(OperationRecord operation) {
    this.operation = operation;
  }

  void add(String id, ExaminedAnswer answer) {
    if (sample.isEmpty()) {
      sample = id;
      number = answer.number();
    }
    int watched = 0;
    for (WatchedPlace place : answer.places()) {
      places.merge(place.place(), new Seen(place, id), Seen::better);
      watched += place.watch().isWatched() ? 1 : 0;
    }
    cases.merge(id, watched, Integer::sum);
  }

  private static int rank(String place) {
    if (place.equals("status")) {
      return 0;
    }
    return place.startsWith("header ") ? 1 : place.startsWith("cookie ") ? 2 : 3;
  }

  /** What is asked. */
  public OperationRecord operation() {
    return operation;
  }

  /** Its places: status, headers, body. */
  public List<Seen> places() {
    return List.copyOf(places.values());
  }

  /** The cases that ask it. */
  public List<String> cases() {
    return List.copyOf(cases.keySet());
  }

  /** The case that looks at most of it, and may as well look at the rest. */
  public String closest() {
    return cases.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse("");
  }

  /** A case that was answered, to show an answer. */
  public String sample() {
    return sample;
  }

  /** Which of its exchanges, or looks, that is. */
  public int number() {
    return number;
  }

  /**
   * The operation in one line.
   *
   * @return {@code GET /hives/{id}, answered 200}
   */
  public String line() {
    return operation.isCall()
        ? operation.line() + ", answered " + operation.status()
        : operation.line();
  }

  /** How many places are to be watched. */
  public int count() {
    return (int)
        places.values().stream().filter(seen -> seen.place.watch().counts()).count();
  }

  /** How many of them are. */
  public int watched() {
    return (int)
        places.values().stream().filter(seen -> seen.place.watch().isWatched()).count();
  }

  /**
   * A place, and the case that watches it best.
   *
   * @param place the place
   * @param id the case
   */
  public record Seen(WatchedPlace place, String id) {

    Seen better(Seen other) {
      return place.isWorse(other.place) ? other : this;
    }
  }
}
