package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;

/**
 * Says what may start next: rules 12 and 13 of the rules for values. Thread-safe; each lane asks for its
 * next and tells when that has finished.
 */
final class Schedule {

  private final List<Planned> nodes;
  private final int[] open;
  private final List<List<Integer>> followers = new ArrayList<>();
  private final TreeSet<Integer> ready;
  private final TreeSet<Integer> readyAlone;
  private final Set<String> occupied = new HashSet<>();
  private final ReentrantLock lock = new ReentrantLock();
  private final Condition changed = lock.newCondition();
  private int running;
  private int unfinished;
  private boolean alone;
  private boolean stopped;
  private final boolean mixed;

  /**
   * A schedule.
   *
   * @param nodes what will run; in one lane it starts in their order
   * @param lanes how many run side by side; in more than one the longest chain comes first
   * @param seed what another order is drawn from, the same each time; empty for the order above
   */
  Schedule(List<Planned> nodes, int lanes, String seed) {
    this.nodes = nodes;
    this.mixed = lanes == 1 && !seed.isEmpty();
    open = new int[nodes.size()];
    unfinished = nodes.size();
    nodes.forEach(one -> followers.add(new ArrayList<>()));
    for (Planned one : nodes) {
      open[one.order()] = one.after().size();
      one.after().forEach(before -> followers.get(before).add(one.order()));
    }
    Comparator<Integer> first = Comparator.naturalOrder();
    if (!seed.isEmpty()) {
      int[] places = places(nodes.size(), seed);
      first = Comparator.comparingInt(node -> places[node]);
    } else if (lanes > 1) {
      int[] chains = chains();
      first = Comparator.<Integer>comparingInt(node -> -chains[node]).thenComparing(first);
    }
    ready = new TreeSet<>(first);
    readyAlone = new TreeSet<>(first);
    for (Planned one : nodes) {
      if (open[one.order()] == 0) {
        add(one.order());
      }
    }
  }

  /** What to start next; waits until something may. Null if there is nothing more to start. */
  @Nullable
  Planned next() {
    lock.lock();
    try {
      while (unfinished > 0 && !stopped) {
        Integer node = startable();
        if (node != null) {
          start(node);
          return nodes.get(node);
        }
        if (ready.isEmpty() && readyAlone.isEmpty() && running == 0) {
          throw new IllegalStateException("the plan has cases that nothing lets start");
        }
        changed.awaitUninterruptibly();
      }
      return null;
    } finally {
      lock.unlock();
    }
  }

  /** Something has finished, and what ended with it was put back. */
  void finished(Planned one) {
    lock.lock();
    try {
      running--;
      unfinished--;
      alone = false;
      occupied(one).forEach(occupied::remove);
      for (int follower : followers.get(one.order())) {
        if (--open[follower] == 0) {
          add(follower);
        }
      }
      changed.signalAll();
    } finally {
      lock.unlock();
    }
  }

  /** Nothing more starts. */
  void stop() {
    lock.lock();
    try {
      stopped = true;
      changed.signalAll();
    } finally {
      lock.unlock();
    }
  }

  /** Something that may start now; a case alone only when nothing runs and nothing else can start. */
  private @Nullable Integer startable() {
    if (alone) {
      return null;
    }
    for (int node : ready) {
      if (occupied(nodes.get(node)).stream().noneMatch(occupied::contains)) {
        return node;
      }
    }
    return running == 0 && ready.isEmpty() && !readyAlone.isEmpty() ? readyAlone.first() : null;
  }

  private void start(Integer node) {
    ready.remove(node);
    alone = readyAlone.remove(node);
    occupied.addAll(occupied(nodes.get(node)));
    running++;
  }

  private void add(int node) {
    boolean byItself = !mixed // in one lane each is alone
        && nodes.get(node) instanceof PlannedCase one
        && one.definition().marks().alone();
    (byItself ? readyAlone : ready).add(node);
  }

  private static List<String> occupied(Planned node) {
    return node instanceof PlannedCase one ? one.definition().marks().occupies() : List.of();
  }

  private static int[] places(int size, String seed) {
    List<Integer> drawn = new ArrayList<>(IntStream.range(0, size).boxed().toList());
    Collections.shuffle(drawn, new Random(seed.hashCode()));
    int[] places = new int[size];
    for (int i = 0; i < size; i++) {
      places[drawn.get(i)] = i;
    }
    return places;
  }

  /** For each the length of the longest chain that begins with it. */
  private int[] chains() {
    int[] waiting = new int[nodes.size()];
    int[] chains = new int[nodes.size()];
    List<Integer> last = new ArrayList<>();
    for (int node = 0; node < nodes.size(); node++) {
      waiting[node] = followers.get(node).size();
      chains[node] = 1;
      if (waiting[node] == 0) {
        last.add(node);
      }
    }
    for (int i = 0; i < last.size(); i++) {
      int node = last.get(i);
      for (int before : nodes.get(node).after()) {
        chains[before] = Math.max(chains[before], chains[node] + 1);
        if (--waiting[before] == 0) {
          last.add(before);
        }
      }
    }
    return chains;
  }
}
