package org.oddlantern.standin;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.oddlantern.http.internal.CaseRecorder;

/**
 * What a stand-in received, case by case, and what each case wants answered while it lasts. What was received without
 * telling whose it is belongs to {@link CaseRecorder#NONE}. Thread-safe.
 */
final class Guests {

  private final Map<CaseRecorder, Guest> guests = new ConcurrentHashMap<>();

  /** What belongs to a case; those of cases that are over are let go. */
  Guest of(CaseRecorder recorder) {
    Guest known = guests.get(recorder);
    if (known != null) {
      return known;
    }
    guests.keySet().removeIf(other -> !other.whyEnded().isEmpty());
    return guests.computeIfAbsent(recorder, none -> new Guest());
  }

  /** The cases that want something else answered to a request. */
  List<CaseRecorder> wanting(Predicate<List<Rule>> matching) {
    return guests.entrySet().stream()
        .filter(
            one -> one.getKey() != CaseRecorder.NONE && one.getKey().whyEnded().isEmpty())
        .filter(one -> matching.test(one.getValue().rules()))
        .map(Map.Entry::getKey)
        .toList();
  }

  /** What one case has to do with the stand-in. */
  static final class Guest {
    private final List<Rule> rules = new ArrayList<>(0);
    private final Arrivals asked = new Arrivals();
    private final IdentityHashMap<Rule, Integer> turns = new IdentityHashMap<>();

    synchronized void meanwhile(Rule rule) {
      rules.add(rule);
    }

    synchronized List<Rule> rules() {
      return List.copyOf(rules);
    }

    /** What was asked for it. */
    Arrivals asked() {
      return asked;
    }

    /** The how-many-th request this is that the rule answers, from 0. */
    synchronized int turn(Rule rule) {
      return turns.merge(rule, 1, Integer::sum) - 1;
    }
  }
}
