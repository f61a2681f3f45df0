package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.text.TextPattern;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** {@code properties}, {@code patternProperties} and {@code additionalProperties}, read together. */
final class Members extends Keyword {

  private final Map<String, Rule> named;
  private final TextPattern[] patterns;
  private final Rule[] ofPatterns;
  private final @Nullable Rule others;

  Members(Map<String, Rule> named, Map<TextPattern, Rule> byPattern, @Nullable Rule others) {
    super("properties", Kind.OBJECT);
    this.named = named;
    this.patterns = byPattern.keySet().toArray(TextPattern[]::new);
    this.ofPatterns = byPattern.values().toArray(Rule[]::new);
    this.others = others;
  }

  /** The schemas of fields by their names. */
  Map<String, Rule> named() {
    return named;
  }

  /** Whether fields without a name of their own fit in any case. */
  boolean onlyNames() {
    return others == null && patterns.length == 0;
  }

  /** The patterns of names. */
  List<String> patterns() {
    return Arrays.stream(patterns).map(TextPattern::source).toList();
  }

  /** What a field of that name must fit. */
  List<Rule> of(String name) {
    List<Rule> all = new ArrayList<>();
    if (named.containsKey(name)) {
      all.add(named.get(name));
    }
    for (int i = 0; i < patterns.length; i++) {
      if (patterns[i].isIn(name)) {
        all.add(ofPatterns[i]);
      }
    }
    if (all.isEmpty() && others != null) {
      all.add(others);
    }
    return all;
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    if (onlyNames() && covered == null && named.size() < value.size()) {
      return namedHold(value, run);
    }
    for (Map.Entry<String, JsonNode> member : value.properties()) {
      String name = member.getKey();
      JsonNode child = member.getValue();
      Rule rule = named.get(name);
      boolean known = rule != null;
      if (rule != null && !rule.holds(child, run, null)) {
        return false;
      }
      for (int i = 0; i < patterns.length; i++) {
        if (patterns[i].isIn(name)) {
          known = true;
          if (!ofPatterns[i].holds(child, run, null)) {
            return false;
          }
        }
      }
      if (!known && others != null && !others.holds(child, run, null)) {
        return false;
      }
      if (covered != null && (known || others != null)) {
        covered.name(name);
      }
    }
    return true;
  }

  /** Where the schema names fewer fields than the object has. */
  private boolean namedHold(JsonNode value, Evaluation run) {
    for (Map.Entry<String, Rule> field : named.entrySet()) {
      JsonNode child = value.get(field.getKey());
      if (child != null && !field.getValue().holds(child, run, null)) {
        return false;
      }
    }
    return true;
  }

  @Override
  void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
    for (Map.Entry<String, JsonNode> member : spot.value().properties()) {
      String name = member.getKey();
      JsonNode child = member.getValue();
      Rule rule = named.get(name);
      boolean known = rule != null;
      if (rule != null && !rule.holds(child, run, null)) {
        explain(spot.through("properties", name).at(name, child), rule, run, out);
      }
      for (int i = 0; i < patterns.length; i++) {
        if (patterns[i].isIn(name)) {
          known = true;
          if (!ofPatterns[i].holds(child, run, null)) {
            Spot at = spot.through("patternProperties", patterns[i].source()).at(name, child);
            explain(at, ofPatterns[i], run, out);
          }
        }
      }
      if (!known && others != null) {
        Spot at = spot.through("additionalProperties").at(name, child);
        if (others.takesNone()) {
          List<String> absent = named.keySet().stream()
              .filter(other -> spot.value().get(other) == null)
              .toList();
          out.add(at.violation(
              new Surplus("additionalProperties", "field", name, absent, named.keySet())));
        } else {
          others.explain(at, run, null, out);
        }
      }
      if (covered != null && (known || others != null)) {
        covered.name(name);
      }
    }
  }

  private static void explain(Spot at, Rule rule, Evaluation run, List<Violation> out) {
    if (rule.takesNone()) {
      out.add(at.in(rule).violation(new Surplus("", "field")));
    } else {
      rule.explain(at, run, null, out);
    }
  }

  @Override
  String wanted() {
    return "fields that fit";
  }

  /** {@code propertyNames}. */
  static final class Names extends Keyword {
    private final Rule rule;

    Names(Rule rule) {
      super("propertyNames", Kind.OBJECT);
      this.rule = rule;
    }

    Rule rule() {
      return rule;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      for (String name : value.propertyNames()) {
        if (!rule.holds(StringNode.valueOf(name), run, null)) {
          return false;
        }
      }
      return true;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      for (Map.Entry<String, JsonNode> member : spot.value().properties()) {
        Spot name = spot.through(name()).at(member.getKey(), StringNode.valueOf(member.getKey()));
        List<Violation> inside = rule.explain(name, run, null);
        if (!inside.isEmpty()) {
          out.add(name.violation(this, inside));
        }
      }
    }

    @Override
    String wanted() {
      return "a field whose name fits";
    }
  }

  /** {@code dependentSchemas}, and the schemas of {@code dependencies}. */
  static final class Dependent extends Keyword {
    private final Map<String, Rule> rules;

    Dependent(String name, Map<String, Rule> rules) {
      super(name, Kind.OBJECT);
      this.rules = rules;
    }

    /** What an object must fit besides, for the fields that it has. */
    List<Rule> of(JsonNode object) {
      return rules.entrySet().stream()
          .filter(entry -> object.get(entry.getKey()) != null)
          .map(Map.Entry::getValue)
          .toList();
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      for (Map.Entry<String, Rule> entry : rules.entrySet()) {
        if (value.get(entry.getKey()) != null && !entry.getValue().holds(value, run, covered)) {
          return false;
        }
      }
      return true;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      rules.forEach((field, rule) -> {
        if (spot.value().get(field) != null) {
          if (rule.takesNone()) {
            out.add(spot.violation(surplusField(field)));
          } else {
            rule.explain(spot.through(name(), field), run, covered, out);
          }
        }
      });
    }

    private Keyword surplusField(String field) {
      return Surplus.field(name(), field);
    }

    @Override
    String wanted() {
      return "an object that fits";
    }
  }

  /** {@code dependentRequired}, and the lists of {@code dependencies}. */
  static final class DependentFields extends Keyword {
    private final Map<String, List<String>> fields;

    DependentFields(String name, Map<String, List<String>> fields) {
      super(name, Kind.OBJECT);
      this.fields = fields;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      for (Map.Entry<String, List<String>> entry : fields.entrySet()) {
        if (value.get(entry.getKey()) != null
            && !absent(value, entry.getValue()).isEmpty()) {
          return false;
        }
      }
      return true;
    }

    /** The fields that those of an object need. */
    List<String> needed(JsonNode object) {
      List<String> needed = new ArrayList<>();
      fields.forEach((field, names) -> {
        if (object.get(field) != null) {
          needed.addAll(names);
        }
      });
      return needed;
    }

    private static List<String> absent(JsonNode value, List<String> names) {
      List<String> absent = new ArrayList<>();
      for (String name : names) {
        if (value.get(name) == null) {
          absent.add(name);
        }
      }
      return absent;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      fields.forEach((field, names) -> {
        if (spot.value().get(field) != null) {
          for (String name : absent(spot.value(), names)) {
            out.add(spot.violation(new Absent(name(), name, ", since '" + field + "' is there")));
          }
        }
      });
    }

    @Override
    String wanted() {
      return "fields that others need";
    }
  }
}
