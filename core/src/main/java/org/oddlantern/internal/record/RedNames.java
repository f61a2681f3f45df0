package org.oddlantern.internal.record;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * What is red: names of what broke by itself, as messages have them. What is blocked by one of these need
 * not be red itself, since whoever repairs that one has repaired both; of what one other thing blocked, like
 * a service that is not ready, the first is.
 */
public final class RedNames {

  private final Set<String> names = new HashSet<>();
  private final Map<String, String> firsts = new HashMap<>();

  /** Notes a case or supply. */
  public void add(CaseRecord one) {
    String id = one.id();
    if (one.outcome() == Outcome.BLOCKED) {
      firsts.putIfAbsent(message(one), id);
    } else if (!one.outcome().isGreen()) {
      names.add(id.substring(id.lastIndexOf('.', Math.max(0, id.indexOf('#'))) + 1));
    }
  }

  /** Whether it did not run because of something that is red. */
  public boolean blocked(CaseRecord one) {
    String message = message(one);
    for (int end = message.indexOf(' '); end >= 0; end = message.indexOf(' ', end + 1)) {
      if (names.contains(message.substring(0, end))) {
        return one.outcome() == Outcome.BLOCKED;
      }
    }
    return one.outcome() == Outcome.BLOCKED && !one.id().equals(firsts.get(message));
  }

  private static String message(CaseRecord one) {
    ProblemRecord problem = one.problem();
    return problem == null ? "" : problem.message();
  }
}
