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

  /** The schema of fields that have no name; null if nobody speaks of them. */
  public @Nullable SchemaView others() {
    for (Members members : keywords(Members.class)) {
      Rule others = members.others();
      if (others != null) {
        return of(others);
      }
    }
    return null;
  }

  /** The schema of the items of a list; null if nobody speaks of them. */
  public @Nullable SchemaView items() {
    for (Lists.Items items : keywords(Lists.Items.class)) {
      Rule rest = items.rest();
      if (rest != null) {
        return of(rest);
      }
    }
    return null;
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
