package org.oddlantern.standin;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * What is answered to some requests.
 *
 * @param pattern which
 * @param answer gives the answer
 * @param computed whether it takes more than to be taken
 */
record Rule(AddressPattern pattern, Function<IncomingRequest, Answer> answer, boolean computed) {

  static Rule of(String pattern, Answer answer) {
    return new Rule(AddressPattern.of(pattern), asked -> answer, false);
  }

  static Rule of(String pattern, Function<IncomingRequest, Answer> answer) {
    return new Rule(AddressPattern.of(pattern), answer, true);
  }

  /** The most concrete of those that match, the last said of several alike; null if none does. */
  static @Nullable Match best(List<Rule> rules, String method, List<String> path) {
    Match best = null;
    for (Rule rule : rules) {
      Map<String, String> arguments = rule.pattern.match(method, path);
      if (arguments != null
          && (best == null
              || rule.pattern.concreteness().compareTo(best.rule.pattern.concreteness()) >= 0)) {
        best = new Match(rule, arguments);
      }
    }
    return best;
  }

  /** The last said of those that match; null if none does. */
  static @Nullable Match last(List<Rule> rules, String method, List<String> path) {
    for (int i = rules.size() - 1; i >= 0; i--) {
      Map<String, String> arguments = rules.get(i).pattern.match(method, path);
      if (arguments != null) {
        return new Match(rules.get(i), arguments);
      }
    }
    return null;
  }

  /**
   * A rule that matches a request.
   *
   * @param rule the rule
   * @param arguments what is where the pattern has places
   */
  record Match(Rule rule, Map<String, String> arguments) {}
}
