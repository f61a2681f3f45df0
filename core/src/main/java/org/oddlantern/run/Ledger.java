package org.oddlantern.run;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.plan.PlannedCase;

/**
 * Keeps what must be put back, and for how long: rules 7, 19 and 21 of the rules for values. What a
 * case made lives as long as the value it handed on, else it ends with the case.
 */
final class Ledger {

  private final int[] openUsers;
  private final Map<Integer, List<Entry>> behind = new TreeMap<>();
  private final BitSet usedUp = new BitSet();
  private int noted;

  Ledger(List<PlannedCase> cases) {
    openUsers = new int[cases.size()];
    cases.forEach(one -> one.values().forEach(maker -> openUsers[maker]++));
  }

  /** A case has an outcome; gives what ends with it, newest first. */
  List<Entry> finished(PlannedCase one, Attempt attempt, List<Undo> undos) {
    for (Undo undo : undos) {
      behind
          .computeIfAbsent(one.order(), key -> new ArrayList<>())
          .add(new Entry(one, undo, noted++));
    }
    if (attempt.outcome() == Outcome.PASSED) {
      one.usesUp().forEach(usedUp::set);
    }
    List<Entry> ended = new ArrayList<>();
    one.values().forEach(maker -> release(maker, ended));
    if (attempt.value() == null || openUsers[one.order()] == 0) {
      end(one.order(), ended);
    }
    ended.sort(Comparator.comparingInt(Entry::number).reversed());
    return ended;
  }

  private void release(int maker, List<Entry> ended) {
    if (--openUsers[maker] == 0) {
      end(maker, ended);
    }
  }

  private void end(int maker, List<Entry> ended) {
    List<Entry> entries = behind.remove(maker);
    if (entries != null && !usedUp.get(maker)) {
      ended.addAll(entries);
    }
  }

  /**
   * Something to put back.
   *
   * @param maker the case that made it
   * @param undo how
   * @param number counts in the order in which things were made
   */
  record Entry(PlannedCase maker, Undo undo, int number) {}
}
