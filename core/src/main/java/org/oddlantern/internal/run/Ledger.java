package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntConsumer;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;

/**
 * Keeps what must be put back, and for how long: rules 7, 19 to 22 of the rules for values. What a case or
 * a shared supply made lives as long as the value it handed on, else it ends with its maker. Thread-safe.
 */
final class Ledger {

  private final int[] openUsers;
  private final Map<Integer, List<Belonging>> behind = new TreeMap<>();
  private final Map<Integer, Belonging.Life> lives = new HashMap<>();
  private final List<Belonging> late = new ArrayList<>();
  private final IntConsumer ended;
  private long numbers;

  /**
   * A ledger.
   *
   * @param nodes what will run
   * @param ended hears whose value nobody will use any more
   */
  Ledger(List<Planned> nodes, IntConsumer ended) {
    this.ended = ended;
    openUsers = new int[nodes.size()];
    nodes.forEach(one -> one.values().forEach(maker -> openUsers[maker]++));
  }

  /** A number for something that was made now. */
  synchronized long number() {
    return numbers++;
  }

  /**
   * Something has an outcome.
   *
   * @param one a case or a shared supply
   * @param handsOn whether it hands on a value
   * @param passed whether it passed
   * @param asker what it made
   * @return what ends with it, newest first
   */
  synchronized List<Belonging> finished(
      Planned one, boolean handsOn, boolean passed, Belongings asker) {
    behind.computeIfAbsent(one.order(), key -> new ArrayList<>()).addAll(asker.sealed());
    lives.put(one.order(), asker.life());
    if (passed && one instanceof PlannedCase taker) {
      for (int maker : taker.usesUp()) {
        lives.computeIfAbsent(maker, key -> new Belonging.Life()).useUp();
      }
    }
    List<Belonging> ending = new ArrayList<>();
    for (int maker : one.values()) {
      if (--openUsers[maker] == 0) {
        end(maker, ending);
      }
    }
    if (!handsOn || openUsers[one.order()] == 0) {
      end(one.order(), ending);
    }
    return newestFirst(ending);
  }

  /** Something that was made by what has ended already. */
  synchronized void late(Belonging belonging) {
    late.add(belonging);
  }

  /** Everything that is still alive, newest first. */
  synchronized List<Belonging> rest() {
    List<Belonging> rest = new ArrayList<>(late);
    behind.values().forEach(rest::addAll);
    behind.clear();
    late.clear();
    return newestFirst(rest);
  }

  /** What is due of these, newest first. */
  static List<Belonging> newestFirst(List<Belonging> some) {
    if (some.isEmpty()) {
      return List.of();
    }
    return some.stream()
        .filter(Belonging::isDue)
        .sorted(Comparator.comparingLong(Belonging::number).reversed())
        .toList();
  }

  /** What ended, but is to be put back with the rest. */
  synchronized void keep(List<Belonging> ending) {
    late.addAll(ending);
  }

  private void end(int maker, List<Belonging> ending) {
    List<Belonging> entries = behind.remove(maker);
    if (entries != null) {
      ending.addAll(entries);
      ended.accept(maker);
    }
  }
}
