package org.oddlantern.json.internal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Tells which item of one list is which of another: those at their place, those that moved, those that
 * changed, those that are missing or surplus. Items are told apart by fingerprints, so that lists of
 * 100,000 take little longer than comparing them once.
 */
final class Alignment {

  private static final int NONE = -1;
  private static final int MOST_COMPARED = 60;

  private final ComparisonMode comparison;
  private final JsonNode wanted;
  private final JsonNode got;
  private final int[] partner;
  private final boolean[] taken;
  private final boolean[] moved;
  private final boolean[] anchored;

  private Alignment(ComparisonMode comparison, JsonNode wanted, JsonNode got) {
    this.comparison = comparison;
    this.wanted = wanted;
    this.got = got;
    this.partner = new int[wanted.size()];
    this.taken = new boolean[got.size()];
    this.moved = new boolean[wanted.size()];
    this.anchored = new boolean[wanted.size()];
    Arrays.fill(partner, NONE);
  }

  static Alignment of(ComparisonMode comparison, JsonNode wanted, JsonNode got) {
    Alignment alignment = new Alignment(comparison, wanted, got);
    alignment.pairEnds();
    alignment.pairEqual();
    alignment.markMoved();
    alignment.pairById();
    alignment.pairByPlace();
    return alignment;
  }

  /** The got item that is the wanted one, changed or not; -1 if there is none. */
  int partner(int wantedIndex) {
    return partner[wantedIndex];
  }

  /** Whether an item is there as wanted, but stands elsewhere among the others. */
  boolean isMoved(int wantedIndex) {
    return moved[wantedIndex];
  }

  boolean isSurplus(int gotIndex) {
    return !taken[gotIndex];
  }

  boolean isSame(int wantedIndex) {
    return partner[wantedIndex] != NONE
        && comparison.holds(wanted.get(wantedIndex), got.get(partner[wantedIndex]));
  }

  private void pair(int wantedIndex, int gotIndex) {
    partner[wantedIndex] = gotIndex;
    taken[gotIndex] = true;
  }

  private boolean holds(int wantedIndex, int gotIndex) {
    return comparison.holds(wanted.get(wantedIndex), got.get(gotIndex));
  }

  /** What is the same at the beginning and at the end; lists of one length also in between. */
  private void pairEnds() {
    int common = Math.min(wanted.size(), got.size());
    int first = 0;
    while (first < common && holds(first, first)) {
      pair(first, first);
      first++;
    }
    int shift = got.size() - wanted.size();
    int last = wanted.size() - 1;
    while (last >= first && last + shift >= first && holds(last, last + shift)) {
      pair(last, last + shift);
      last--;
    }
    if (shift == 0) {
      for (int i = first; i <= last; i++) {
        if (holds(i, i)) {
          pair(i, i);
        }
      }
    }
  }

  /** Items that are there, wherever: the first with the first of its kind, the second with the second. */
  private void pairEqual() {
    Optional<Fingerprints> prints = Fingerprints.of(comparison, wanted, openWanted());
    if (prints.isEmpty()) {
      pairOneByOne();
      return;
    }
    Map<Long, Integer> first = new HashMap<>();
    int[] next = new int[got.size()];
    for (int j = got.size() - 1; j >= 0; j--) {
      if (!taken[j]) {
        Integer after = first.put(prints.get().of(got.get(j)), j);
        next[j] = after == null ? NONE : after;
      }
    }
    for (int i : openWanted()) {
      long print = prints.get().of(wanted.get(i));
      int candidate = first.getOrDefault(print, NONE);
      if (candidate != NONE && holds(i, candidate)) {
        pair(i, candidate);
        first.put(print, next[candidate]);
      }
    }
  }

  private void pairOneByOne() {
    List<Integer> open = openWanted();
    if (open.size() > MOST_COMPARED) {
      return;
    }
    for (int i : open) {
      for (int j : openGot().stream().limit(MOST_COMPARED).toList()) {
        if (partner[i] == NONE && holds(i, j)) {
          pair(i, j);
        }
      }
    }
  }

  /** Whatever is not in the longest run of pairs that keeps its order has moved. */
  private void markMoved() {
    int[] tails = new int[wanted.size()];
    int[] before = new int[wanted.size()];
    int length = 0;
    for (int i = 0; i < wanted.size(); i++) {
      if (partner[i] == NONE) {
        continue;
      }
      moved[i] = true;
      int low = 0;
      int high = length;
      while (low < high) {
        int middle = (low + high) / 2;
        if (partner[tails[middle]] < partner[i]) {
          low = middle + 1;
        } else {
          high = middle;
        }
      }
      before[i] = low == 0 ? NONE : tails[low - 1];
      tails[low] = i;
      length = Math.max(length, low + 1);
    }
    for (int i = length == 0 ? NONE : tails[length - 1]; i != NONE; i = before[i]) {
      moved[i] = false;
      anchored[i] = true;
    }
  }

  /** Changed items with the same identity. */
  private void pairById() {
    Map<String, Integer> known = new HashMap<>();
    for (int j : openGot()) {
      known.putIfAbsent(Identity.of(got.get(j)), j);
    }
    known.remove("");
    for (int i : openWanted()) {
      Integer found = known.remove(Identity.of(wanted.get(i)));
      if (found != null) {
        pair(i, found);
      }
    }
  }

  /** What is left between the same two neighbours on both sides is most likely the same, changed. */
  private void pairByPlace() {
    int from = 0;
    for (int i = 0; i <= wanted.size(); i++) {
      boolean anchor = i == wanted.size() || anchored[i];
      if (anchor) {
        pairBetween(from, i);
        from = i + 1;
      }
    }
  }

  private void pairBetween(int from, int to) {
    int gotFrom = from == 0 ? 0 : partner[from - 1] + 1;
    int gotTo = to == wanted.size() ? got.size() : partner[to];
    List<Integer> left = new ArrayList<>();
    for (int i = from; i < to; i++) {
      if (partner[i] == NONE) {
        left.add(i);
      }
    }
    List<Integer> right = new ArrayList<>();
    for (int j = gotFrom; j < gotTo; j++) {
      if (!taken[j]) {
        right.add(j);
      }
    }
    if (left.size() == right.size()) {
      for (int k = 0; k < left.size(); k++) {
        if (mayBeTheSame(wanted.get(left.get(k)), got.get(right.get(k)))) {
          pair(left.get(k), right.get(k));
        }
      }
    }
  }

  /** Two items that name themselves differently are two items. */
  private static boolean mayBeTheSame(JsonNode a, JsonNode b) {
    String first = Identity.field(a).filter("id"::equals).orElse("");
    return first.isEmpty() || !b.has(first) || Equality.same(a.get(first), b.get(first));
  }

  private List<Integer> openWanted() {
    List<Integer> open = new ArrayList<>();
    for (int i = 0; i < partner.length; i++) {
      if (partner[i] == NONE) {
        open.add(i);
      }
    }
    return open;
  }

  private List<Integer> openGot() {
    List<Integer> open = new ArrayList<>();
    for (int j = 0; j < taken.length; j++) {
      if (!taken[j]) {
        open.add(j);
      }
    }
    return open;
  }
}
