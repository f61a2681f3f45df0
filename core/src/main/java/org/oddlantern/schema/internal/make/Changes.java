package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Finds the changes that a schema tells apart: those that break it at one place, and those that go just as
 * far as it allows. Each is proven on a value made from the schema; what cannot be proven is left out, and
 * told.
 *
 * @param all the changes
 * @param leftOut what was left out, and why
 */
public record Changes(List<Change> all, List<String> leftOut) {

  private static final int DEEPEST = 6;
  private static final int MOST = 3_000;
  private static final int TRIES = 10;

  /** Keeps its own lists. */
  public Changes {
    all = List.copyOf(all);
    leftOut = List.copyOf(leftOut);
  }

  /**
   * The changes that break a schema.
   *
   * @param schema the schema
   * @throws IllegalArgumentException if no good value can be made to prove them on
   */
  public static Changes wrong(CompiledSchema schema) {
    return found(schema, true);
  }

  /**
   * The changes that go just as far as a schema allows.
   *
   * @param schema the schema
   * @throws IllegalArgumentException if no good value can be made to prove them on
   */
  public static Changes edges(CompiledSchema schema) {
    return found(schema, false);
  }

  private static Changes found(CompiledSchema schema, boolean breaks) {
    Chance chance = new Chance(Fresh.seeded("changes", schema.where()));
    Optional<JsonNode> example = Optional.empty();
    for (int i = 0; i < TRIES && example.isEmpty(); i++) {
      example = Examples.of(schema.view(), chance.fresh());
    }
    if (example.isEmpty()) {
      throw new IllegalArgumentException(
          "no value could be made that fits " + schema.where() + "; give it an example");
    }
    Search search = new Search(schema, example.get(), chance, breaks);
    search.walk(schema.view(), Way.ROOT, 0, new HashSet<>());
    return new Changes(List.copyOf(search.found.values()), search.leftOut);
  }

  /** One walk through a schema and a value that fits it. */
  static final class Search {
    private final CompiledSchema schema;
    private final JsonNode example;
    private final boolean breaks;
    private final Chance chance;
    private final Map<String, Change> found = new LinkedHashMap<>();
    private final List<String> leftOut = new ArrayList<>();

    Search(CompiledSchema schema, JsonNode example, Chance chance, boolean breaks) {
      this.schema = schema;
      this.example = example;
      this.chance = chance;
      this.breaks = breaks;
    }

    void walk(SchemaView view, Way way, int depth, Set<String> passed) {
      JsonNode here = way.in(example);
      if (here == null || depth > DEEPEST || found.size() > MOST) {
        return;
      }
      Set<String> places = new HashSet<>(passed);
      boolean again = !places.addAll(view.places()) && depth > 0;
      if (again) {
        return; // a schema that is in itself says the same again
      }
      SchemaView whole = chosen(view, here);
      Place place = new Place(this, whole, way, here, chance);
      if (breaks) {
        new WrongValues(place).find();
      } else {
        new EdgeValues(place).find();
      }
      Set<String> fields = new LinkedHashSet<>(whole.fields().keySet());
      fields.addAll(here.propertyNames());
      for (String name : fields) {
        walkOn(whole.field(name), way.then(name), depth, places);
      }
      Set<String> items = new HashSet<>();
      for (int i = 0; i < here.size() && here.isArray(); i++) {
        SchemaView item = whole.item(i);
        if (item != null && items.addAll(item.places())) {
          walkOn(item, way.then(i), depth, places);
        }
      }
    }

    private void walkOn(@Nullable SchemaView inside, Way way, int depth, Set<String> passed) {
      if (inside != null) {
        walk(inside, way, depth + 1, passed);
      }
    }

    /** With the form of each choice that the value has, and what is said on its conditions. */
    private static SchemaView chosen(SchemaView view, JsonNode here) {
      SchemaView whole = view.of(here);
      for (List<SchemaView> choice : view.choices()) {
        for (SchemaView form : choice) {
          if (form.accepts(here)) {
            whole = whole.with(form);
            break;
          }
        }
      }
      return whole;
    }

    /** Keeps a change if it does what it says, and nothing else. */
    void add(String words, String rule, Way way, UnaryOperator<JsonNode> change) {
      keep(new Change(way.words() + " " + words, rule, way, breaks, false, change));
    }

    /** The same with a field that a good value does not have. */
    void addField(String words, String rule, Way way, JsonNode value) {
      keep(new Change(way.words() + " " + words, rule, way, breaks, true, any -> value));
    }

    private void keep(Change one) {
      String problem = one.fits(example)
          ? one.problem(one.applied(example), schema)
          : "there is nothing at its place in a value made from the schema";
      if (problem == null) {
        found.putIfAbsent(one.what(), one);
      } else {
        leftOut.add(one.what() + ": " + problem);
      }
    }

    void leftOut(Way way, String words, String why) {
      leftOut.add(way.words() + " " + words + ": " + why);
    }
  }
}
