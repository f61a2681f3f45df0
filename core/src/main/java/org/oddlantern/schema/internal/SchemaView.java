package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.text.GivenUp;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A schema that has been read, to be looked at: what it says of a value, of its fields, of its items. */
public final class SchemaView {

  /** Choices within choices; they may double each time. */
  private static final int DEEPEST = 6;

  private final List<Rule> layers;
  private volatile @Nullable Set<String> types;

  private SchemaView(List<Rule> layers) {
    this.layers = List.copyOf(layers);
  }

  static SchemaView of(Rule rule) {
    Set<Rule> layers = new LinkedHashSet<>();
    collect(rule, layers);
    return new SchemaView(List.copyOf(layers));
  }

  private static SchemaView of(List<Rule> rules) {
    Set<Rule> layers = new LinkedHashSet<>();
    rules.forEach(rule -> collect(rule, layers));
    return new SchemaView(List.copyOf(layers));
  }

  private static void collect(Rule rule, Set<Rule> layers) {
    if (layers.add(rule)) {
      for (Keyword keyword : rule.keywords()) {
        if (keyword instanceof Ref ref) {
          collect(ref.ownTarget(), layers);
        } else if (keyword instanceof Choices.All all) {
          all.rules().forEach(one -> collect(one, layers));
        }
      }
    }
  }

  /** The schemas that all speak of the same value: itself, what it refers to, what {@code allOf} adds. */
  public List<JsonNode> layers() {
    return layers.stream().map(rule -> rule.site().schema()).toList();
  }

  /** What tells it from others: where its layers stand. */
  public Set<String> places() {
    Set<String> places = new LinkedHashSet<>();
    layers.forEach(rule -> places.add(rule.site().where()));
    return places;
  }

  /** The schemas of which one must fit, besides, each with its choice. */
  public List<List<SchemaView>> choices() {
    List<List<SchemaView>> choices = new ArrayList<>();
    for (Choices.Branches branches : keywords(Choices.Branches.class)) {
      choices.add(branches.rules().stream().map(SchemaView::of).toList());
    }
    return choices;
  }

  /** The same with one of the schemas of a choice. */
  public SchemaView with(SchemaView form) {
    Set<Rule> all = new LinkedHashSet<>(layers);
    all.addAll(form.layers);
    return new SchemaView(List.copyOf(all));
  }

  /** Whether a value fits all of it; false also where that could not be found out. */
  public boolean accepts(JsonNode value) {
    try {
      for (Rule rule : layers) {
        if (!rule.holds(value, new Evaluation(), null)) {
          return false;
        }
      }
      return true;
    } catch (GivenUp e) {
      return false;
    }
  }

  /** Whether no value fits. */
  public boolean takesNone() {
    return layers.stream().anyMatch(Rule::takesNone);
  }

  /** The schemas of fields, by name. */
  public Map<String, SchemaView> fields() {
    Map<String, List<Rule>> rules = new LinkedHashMap<>();
    for (Members members : keywords(Members.class)) {
      members
          .named()
          .forEach((name, rule) ->
              rules.computeIfAbsent(name, any -> new ArrayList<>()).add(rule));
    }
    Map<String, SchemaView> fields = new LinkedHashMap<>();
    rules.forEach((name, all) -> fields.put(name, of(all)));
    return fields;
  }

  /** The schema of a field of any name; null if nobody speaks of it. */
  public @Nullable SchemaView field(String name) {
    List<Rule> rules = new ArrayList<>();
    keywords(Members.class).forEach(members -> rules.addAll(members.of(name)));
    return rules.isEmpty() ? null : of(rules);
  }

  /** The patterns of names that a schema goes with. */
  public Set<String> namePatterns() {
    Set<String> patterns = new LinkedHashSet<>();
    keywords(Members.class).forEach(members -> patterns.addAll(members.patterns()));
    return patterns;
  }

  /** The schemas of the names of fields. */
  public List<SchemaView> names() {
    return keywords(Members.Names.class).stream().map(one -> of(one.rule())).toList();
  }

  /** The fields that others need, of those that an object has. */
  public Set<String> needed(JsonNode object) {
    Set<String> needed = new LinkedHashSet<>();
    keywords(Members.DependentFields.class).forEach(one -> needed.addAll(one.needed(object)));
    return needed;
  }

  /** The schema of an item of a list; null if nobody speaks of it. */
  public @Nullable SchemaView item(int index) {
    List<Rule> rules = new ArrayList<>();
    for (Lists.Items items : keywords(Lists.Items.class)) {
      Rule rule = items.of(index);
      if (rule != null) {
        rules.add(rule);
      }
    }
    return rules.isEmpty() ? null : of(rules);
  }

  /** The schemas of items: of the first by their places, then of all others. */
  public List<SchemaView> items() {
    List<SchemaView> items = new ArrayList<>();
    for (int i = 0; i <= firstItems(); i++) {
      SchemaView item = item(i);
      if (item != null) {
        items.add(item);
      }
    }
    return items;
  }

  /** How many items of a list have a schema of their own. */
  public int firstItems() {
    return keywords(Lists.Items.class).stream()
        .mapToInt(Lists.Items::first)
        .max()
        .orElse(0);
  }

  /** The items that a list must have among others. */
  public List<Wanted> wanted() {
    return keywords(Lists.Contains.class).stream()
        .map(one -> new Wanted(of(one.rule()), one.least(), one.most()))
        .toList();
  }

  /**
   * Items that a list must have among others.
   *
   * @param item what they are
   * @param least how many at least
   * @param most how many at most
   */
  public record Wanted(SchemaView item, long least, long most) {}

  /** The same with what the schema says besides, since a value is as it is. */
  public SchemaView of(JsonNode value) {
    Set<Rule> all = new LinkedHashSet<>(layers);
    try {
      for (Choices.Conditional conditional : keywords(Choices.Conditional.class)) {
        Rule next = conditional.next(value);
        if (next != null) {
          collect(next, all);
        }
      }
    } catch (GivenUp e) {
      return this;
    }
    for (Members.Dependent dependent : keywords(Members.Dependent.class)) {
      dependent.of(value).forEach(rule -> collect(rule, all));
    }
    return all.size() == layers.size() ? this : new SchemaView(List.copyOf(all));
  }

  /** The names of the types that may be; empty if all may. */
  public Set<String> types() {
    Set<String> known = types;
    if (known == null) {
      known = Collections.unmodifiableSet(foundTypes(0));
      types = known;
    }
    return known;
  }

  private Set<String> foundTypes(int depth) {
    Set<String> found = new LinkedHashSet<>();
    for (Rule rule : layers) {
      JsonNode type = rule.site().schema().path("type");
      if (type.isString()) {
        found.add(type.stringValue());
      }
      type.forEach(one -> found.add(one.asString("")));
    }
    if (depth < DEEPEST) {
      for (List<SchemaView> choice : choices()) {
        choice.forEach(one -> found.addAll(one.foundTypes(depth + 1)));
      }
    }
    return found;
  }

  private <K extends Keyword> List<K> keywords(Class<K> kind) {
    List<K> found = new ArrayList<>();
    for (Rule rule : layers) {
      for (Keyword keyword : rule.keywords()) {
        if (kind.isInstance(keyword)) {
          found.add(kind.cast(keyword));
        }
      }
    }
    return found;
  }
}
