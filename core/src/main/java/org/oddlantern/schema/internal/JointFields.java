package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What several schemas of an {@code allOf} ask of an object, where most of them only name fields, as the parts
 * of a meta-schema do: each field of a value is looked up once, not once for each schema. Immutable.
 */
final class JointFields {

  private final Map<String, List<Asked>> named;
  private final List<Rule> rest;

  private JointFields(Map<String, List<Asked>> named, List<Rule> rest) {
    this.named = named;
    this.rest = rest;
  }

  /**
   * Those of the schemas.
   *
   * @param rules the schemas
   * @param around the resource in which they stand
   * @return null if there are no two that only name fields
   */
  static @Nullable JointFields of(Rule[] rules, Resource around) {
    Map<String, List<Asked>> named = new HashMap<>();
    List<Rule> rest = new ArrayList<>();
    for (Rule rule : rules) {
      Rule last =
          rule.onlyForObjects() instanceof Ref ref && ref.isFixed() ? ref.ownTarget() : rule;
      if (last.onlyForObjects() instanceof Members members && members.onlyNames()) {
        members
            .named()
            .forEach((name, child) -> named
                .computeIfAbsent(name, key -> new ArrayList<>(1))
                .add(new Asked(between(around, rule, last, child), child)));
      } else {
        rest.add(rule);
      }
    }
    return rules.length - rest.size() < 2 ? null : new JointFields(named, rest);
  }

  /** The resources that a judgement comes through on its way to the schema of a field. */
  private static List<Resource> between(Resource around, Rule rule, Rule last, Rule child) {
    List<Resource> between = new ArrayList<>();
    if (rule.site().resource() != around) {
      between.add(rule.site().resource());
    }
    if (last.site().resource() != child.site().resource()) { // who is asked enters its own
      between.add(last.site().resource());
    }
    return List.copyOf(between);
  }

  boolean holds(JsonNode object, Evaluation run) {
    for (Map.Entry<String, JsonNode> member : object.properties()) {
      List<Asked> all = named.get(member.getKey());
      if (all != null && !holds(all, member.getValue(), run)) {
        return false;
      }
    }
    for (Rule rule : rest) {
      if (!rule.holds(object, run, null)) {
        return false;
      }
    }
    return true;
  }

  private static boolean holds(List<Asked> all, JsonNode value, Evaluation run) {
    for (int i = 0; i < all.size(); i++) {
      if (!all.get(i).holds(value, run)) {
        return false;
      }
    }
    return true;
  }

  /**
   * What a field must fit.
   *
   * @param between the resources to come through
   * @param rule what the field must fit
   */
  private record Asked(List<Resource> between, Rule rule) {

    boolean holds(JsonNode value, Evaluation run) {
      return holds(0, value, run);
    }

    private boolean holds(int next, JsonNode value, Evaluation run) {
      if (next == between.size()) {
        return rule.holds(value, run, null);
      }
      Scope outside = run.enter(between.get(next));
      boolean holds = holds(next + 1, value, run);
      run.leave(outside);
      return holds;
    }
  }
}
