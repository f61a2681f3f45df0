package org.oddlantern.internal.record;

import java.util.List;

/**
 * How one case watches an answer that it was given.
 *
 * @param operation what was asked
 * @param number which of the case's exchanges it is, or of its looks if it is no call, from 0
 * @param places its places; without those that another case watched by value already
 */
public record ExaminedAnswer(OperationRecord operation, int number, List<WatchedPlace> places) {

  /** Keeps its own list. */
  public ExaminedAnswer {
    places = List.copyOf(places);
  }
}
