package org.oddlantern.internal.blind;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.record.WatchedPlace;

/** The places of one operation in several answers to one case: each as well watched as where it is best. */
final class MergedPlaces {

  private final int number;
  private final Map<String, WatchedPlace> places = new LinkedHashMap<>();

  MergedPlaces(int number) {
    this.number = number;
  }

  void add(List<WatchedPlace> some) {
    for (WatchedPlace place : some) {
      places.merge(place.place(), place, WatchedPlace::better);
    }
  }

  /** The first answer. */
  int number() {
    return number;
  }

  List<WatchedPlace> all() {
    return List.copyOf(places.values());
  }
}
