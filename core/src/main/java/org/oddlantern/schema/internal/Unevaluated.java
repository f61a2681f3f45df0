package org.oddlantern.schema.internal;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** {@code unevaluatedProperties} and {@code unevaluatedItems}. */
final class Unevaluated extends Keyword {

  private final Rule rule;

  Unevaluated(String name, int kind, Rule rule) {
    super(name, kind);
    this.rule = rule;
  }

  @Override
  boolean isLast() {
    return true;
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    Covered known = covered == null ? new Covered() : covered;
    if (value.isObject()) {
      for (Map.Entry<String, JsonNode> member : value.properties()) {
        if (!known.has(member.getKey()) && !rule.holds(member.getValue(), run, null)) {
          return false;
        }
      }
      known.everyName();
    } else {
      for (int i = 0; i < value.size(); i++) {
        if (!known.has(i) && !rule.holds(value.get(i), run, null)) {
          return false;
        }
      }
      known.everyItem();
    }
    return true;
  }

  @Override
  void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
    Covered known = covered == null ? new Covered() : covered;
    if (spot.value().isObject()) {
      for (Map.Entry<String, JsonNode> member : spot.value().properties()) {
        if (!known.has(member.getKey())) {
          Spot at = spot.through(name()).at(member.getKey(), member.getValue());
          explain(at, surplusField(member.getKey()), run, out);
        }
      }
      known.everyName();
    } else {
      for (int i = 0; i < spot.value().size(); i++) {
        if (!known.has(i)) {
          Spot at = spot.through(name()).at(i, spot.value().get(i));
          explain(at, new Surplus(name(), "item"), run, out);
        }
      }
      known.everyItem();
    }
  }

  private Keyword surplusField(String field) {
    return Surplus.field(name(), field);
  }

  private void explain(Spot at, Keyword surplus, Evaluation run, List<Violation> out) {
    if (rule.takesNone()) {
      out.add(at.violation(surplus));
    } else {
      rule.explain(at, run, null, out);
    }
  }

  @Override
  String wanted() {
    return "nothing that no schema knows";
  }
}
