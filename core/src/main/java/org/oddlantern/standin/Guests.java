package org.oddlantern.standin;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.CaseRecorder;

/**
 * What came to a stand-in, case by case, and what each case wants answered while it lasts. What came without
 * telling whose it is belongs to {@link CaseRecorder#NONE}. Thread-safe.
 */
final class Guests {

  /** So many requests are kept for those who ask about the whole run. */
  static final int MOST = 100_000;

  private final Map<CaseRecorder, Guest> guests = new ConcurrentHashMap<>();
  private final Deque<IncomingRequest> all = new ArrayDeque<>();
  private long forgotten;

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

  synchronized void add(IncomingRequest request) {
    all.add(request);
    if (all.size() > MOST) {
      all.remove();
      forgotten++;
    }
  }

  synchronized List<IncomingRequest> all() {
    if (forgotten > 0) {
      throw new IllegalStateException(
          "more than %,d requests came, so the first %,d are not known any more; ask for those of a case"
              .formatted(MOST, forgotten));
    }
    return new ArrayList<>(all);
  }

  /** What one case has to do with the stand-in. */
  static final class Guest {
    private final List<Rule> rules = new ArrayList<>(0);
    private final List<Timed> asked = new ArrayList<>();
    private final IdentityHashMap<Rule, Integer> turns = new IdentityHashMap<>();

    synchronized void meanwhile(Rule rule) {
      rules.add(rule);
    }

    synchronized List<Rule> rules() {
      return List.copyOf(rules);
    }

    synchronized void add(IncomingRequest request) {
      asked.add(new Timed(request, Instant.now()));
    }

    synchronized List<IncomingRequest> asked(@Nullable Instant since) {
      return asked.stream()
          .filter(one -> since == null || !one.at.isBefore(since))
          .map(Timed::request)
          .toList();
    }

    /** The how-many-th request this is that the rule answers, from 0. */
    synchronized int turn(Rule rule) {
      return turns.merge(rule, 1, Integer::sum) - 1;
    }
  }

  /**
   * A request and when it came.
   *
   * @param request the request
   * @param at when
   */
  private record Timed(IncomingRequest request, Instant at) {}
}
