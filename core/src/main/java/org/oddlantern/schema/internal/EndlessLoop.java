package org.oddlantern.schema.internal;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.oddlantern.schema.SchemaProblem;

/**
 * Looks for schemas that lead back to themselves without going into the value, so that judging it would
 * never end (2020-12 core, section 9.4.1).
 */
final class EndlessLoop {

  private final Set<Rule> done = Collections.newSetFromMap(new IdentityHashMap<>());

  /** Refuses such a schema; of several calls each rule is looked at once. */
  void refuse(Rule start) {
    List<Rule> way = new ArrayList<>();
    Deque<Iterator<Rule>> next = new ArrayDeque<>();
    next.push(List.of(start).iterator());
    while (!next.isEmpty()) {
      Iterator<Rule> here = next.element();
      if (here.hasNext()) {
        Rule rule = here.next();
        if (done.add(rule)) {
          way.add(rule);
          next.push(rule.alwaysAsked().iterator());
        } else if (way.contains(rule)) {
          throw problem(way.subList(way.indexOf(rule), way.size()));
        }
      } else {
        next.pop();
        if (!way.isEmpty()) {
          way.remove(way.size() - 1);
        }
      }
    }
  }

  private static SchemaProblem problem(List<Rule> round) {
    String first = round.get(0).site().where();
    return new SchemaProblem(
        first,
        "it refers to itself without end: "
            + round.stream().map(rule -> rule.site().where()).collect(Collectors.joining(" -> "))
            + " -> " + first);
  }
}
