package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The keywords that combine schemas at one place. */
final class Choices {

  private Choices() {}

  /** {@code allOf}. */
  static final class All extends Keyword {
    private final Rule[] rules;
    private @Nullable JointFields joint;

    All(List<Rule> rules) {
      super("allOf", Kind.ALL);
      this.rules = rules.toArray(Rule[]::new);
    }

    List<Rule> rules() {
      return List.of(rules);
    }

    @Override
    List<Rule> alwaysAsked() {
      return List.of(rules);
    }

    @Override
    void tie(Resource around) {
      joint = JointFields.of(rules, around);
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      if (joint != null && covered == null && value.isObject()) {
        return joint.holds(value, run);
      }
      for (Rule rule : rules) {
        if (!rule.holds(value, run, covered)) {
          return false;
        }
      }
      return true;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      for (int i = 0; i < rules.length; i++) {
        rules[i].explain(spot.through(name(), i), run, covered, out);
      }
    }

    @Override
    String wanted() {
      return "a value that fits all of " + rules.length + " schemas";
    }
  }

  /** {@code anyOf} and {@code oneOf}. */
  static final class Branches extends Keyword {
    private final Rule[] rules;
    private final boolean onlyOne;
    private final Discriminator discriminator;

    Branches(String name, List<Rule> rules, Discriminator discriminator) {
      super(name, Kind.ALL);
      this.discriminator = discriminator;
      this.rules = rules.toArray(Rule[]::new);
      this.onlyOne = name.equals("oneOf");
    }

    @Override
    List<Rule> alwaysAsked() {
      return List.of(rules);
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      int held = 0;
      for (Rule rule : rules) {
        Covered own = covered == null ? null : new Covered();
        if (rule.holds(value, run, own)) {
          held++;
          if (own == null && !onlyOne) {
            return true;
          }
          if (onlyOne && held > 1) {
            return false;
          }
          if (covered != null && own != null) {
            covered.add(own);
          }
        }
      }
      return held > 0;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      if (holds(spot.value(), run, covered)) {
        return;
      }
      List<Violation> inside = new ArrayList<>();
      List<Integer> held = new ArrayList<>();
      for (int i = 0; i < rules.length; i++) {
        // what a branch covers is not told to be unknown as well, though the branch does not fit
        List<Violation> wrong = rules[i].explain(spot.through(name(), i), run, covered);
        if (wrong.isEmpty()) {
          held.add(i);
        }
        inside.add(spot.through(name(), i).in(rules[i]).violation(new Branch(i), wrong));
      }
      out.add(
          held.isEmpty() ? spot.violation(this, inside) : spot.violation(new TooMany(rules, held)));
    }

    List<Rule> rules() {
      return List.of(rules);
    }

    int count() {
      return rules.length;
    }

    /** The index of the form that a value says it is; below 0 if it does not say. */
    int meant(JsonNode value) {
      return discriminator.form(value);
    }

    @Override
    String wanted() {
      return (onlyOne ? "exactly one of " : "one of ") + rules.length + " forms";
    }
  }

  /** One of the schemas of a choice. */
  static final class Branch extends Keyword {
    private final int index;

    Branch(int index) {
      super(String.valueOf(index), Kind.ALL);
      this.index = index;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return false;
    }

    @Override
    String wanted() {
      return "form " + (index + 1);
    }
  }

  /** More than one schema fits where exactly one may. */
  private static final class TooMany extends Keyword {
    private final Rule[] rules;
    private final List<Integer> held;

    TooMany(Rule[] rules, List<Integer> held) {
      super("oneOf", Kind.ALL);
      this.rules = rules;
      this.held = held;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return false;
    }

    @Override
    String wanted() {
      return "exactly one of " + rules.length + " forms";
    }

    @Override
    String got(JsonNode value) {
      return "a value that fits " + held.size() + " of them: "
          + String.join(", ", held.stream().map(i -> Names.of(rules[i], i)).toList());
    }

    @Override
    String hint(JsonNode value) {
      return "forms that exclude each other need a field that tells them apart (const or required),"
          + " or anyOf";
    }
  }

  /** {@code not}. */
  static final class Not extends Keyword {
    private final Rule rule;

    Not(Rule rule) {
      super("not", Kind.ALL);
      this.rule = rule;
    }

    @Override
    List<Rule> alwaysAsked() {
      return List.of(rule);
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return !rule.holds(value, run, null);
    }

    @Override
    String wanted() {
      return "anything that does not fit " + Names.summary(rule);
    }
  }

  /** {@code if}, {@code then} and {@code else}. */
  static final class Conditional extends Keyword {
    private final Rule condition;
    private final @Nullable Rule then;
    private final @Nullable Rule otherwise;

    Conditional(Rule condition, @Nullable Rule then, @Nullable Rule otherwise) {
      super("if", Kind.ALL);
      this.condition = condition;
      this.then = then;
      this.otherwise = otherwise;
    }

    @Override
    List<Rule> alwaysAsked() {
      return List.of(condition);
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      Rule next = met(value, run, covered) ? then : otherwise;
      return next == null || next.holds(value, run, covered);
    }

    /** What a value must fit besides; null if nothing. */
    @Nullable
    Rule next(JsonNode value) {
      return met(value, new Evaluation(), null) ? then : otherwise;
    }

    private boolean met(JsonNode value, Evaluation run, @Nullable Covered covered) {
      Covered own = covered == null ? null : new Covered();
      boolean met = condition.holds(value, run, own);
      if (met && covered != null && own != null) {
        covered.add(own);
      }
      return met;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      boolean met = met(spot.value(), run, covered);
      Rule next = met ? then : otherwise;
      if (next == null) {
        return;
      }
      List<Violation> inside = next.explain(spot.through(met ? "then" : "else"), run, covered);
      if (!inside.isEmpty()) {
        out.add(spot.violation(new Consequence(condition, met), inside));
      }
    }

    @Override
    String wanted() {
      return "a value that fits on its condition";
    }
  }

  /** What holds on a condition, and whether the condition was met. */
  static final class Consequence extends Keyword {
    private final Rule condition;
    private final boolean met;

    Consequence(Rule condition, boolean met) {
      super(met ? "then" : "else", Kind.ALL);
      this.condition = condition;
      this.met = met;
    }

    /** Why its findings count. */
    String reason() {
      return "asked because the value " + (met ? "fits" : "does not fit") + " the 'if': "
          + Names.summary(condition);
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return false;
    }

    @Override
    String wanted() {
      return "a value that fits on its condition";
    }
  }
}
