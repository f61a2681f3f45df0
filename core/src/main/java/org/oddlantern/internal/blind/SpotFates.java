package org.oddlantern.internal.blind;

import java.util.IdentityHashMap;
import java.util.List;

/** Which places nobody sees, so that what lies inside of them is not seen either. */
final class SpotFates {

  private final IdentityHashMap<Spot, Integer> open = new IdentityHashMap<>();
  private final IdentityHashMap<Spot, Boolean> noticed = new IdentityHashMap<>();

  /** These will be tried. */
  void expect(List<Change> changes) {
    for (Change change : changes) {
      if (change.spot().hasInside()) {
        open.merge(change.spot(), 1, Integer::sum);
      }
    }
  }

  void tried(Change change, Fate fate) {
    if (change.spot().hasInside()) {
      open.merge(change.spot(), -1, Integer::sum);
      noticed.merge(change.spot(), fate != Fate.UNNOTICED, Boolean::logicalOr);
    }
  }

  /** Whether something around it can change in every way without being noticed. */
  boolean isUnseen(Spot spot) {
    for (Spot around = spot.around(); around != null; around = around.around()) {
      boolean done = open.getOrDefault(around, 0) == 0;
      if (done && Boolean.FALSE.equals(noticed.get(around))) {
        return true;
      }
    }
    return false;
  }
}
