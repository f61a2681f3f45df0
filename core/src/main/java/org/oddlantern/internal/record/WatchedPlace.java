package org.oddlantern.internal.record;

import java.util.List;

/**
 * How one case watches one place of an answer.
 *
 * @param place {@code status}, {@code header Location}, {@code body}, or a path in which {@code [*]} stands
 *     for items of a list
 * @param watch how it is watched
 * @param unnoticed what nobody would notice of it, in words; empty if it is watched by value
 * @param carried the case that takes what is made of it, and would be another one with another value; empty
 *     if none
 * @param known why the case knows what should be there, in words; empty if it does not
 * @param line what would watch it, as a line of code; empty if it is watched by value
 */
public record WatchedPlace(
    String place, Watch watch, List<String> unnoticed, String carried, String known, String line) {

  /** Keeps its own list. */
  public WatchedPlace {
    unnoticed = List.copyOf(unnoticed);
  }

  /** The same place, of which somebody has said that it need not be watched. */
  public WatchedPlace onPurpose() {
    return new WatchedPlace(place, Watch.ON_PURPOSE, unnoticed, carried, known, "");
  }

  /** The one of two that is watched better; this if neither is. */
  public WatchedPlace better(WatchedPlace other) {
    return isWorse(other) ? other : this;
  }

  /** Whether another is watched better. */
  public boolean isWorse(WatchedPlace other) {
    int worse = watch.compareTo(other.watch);
    return worse > 0 || worse == 0 && unnoticed.size() > other.unnoticed.size();
  }
}
