package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The places that a schema names, and which of them ever came. For one thread. */
final class DescribedPlaces {

  private static final int DEEPEST = 12;
  private static final int MOST = 2_000;

  private final String path;
  private final boolean required;
  private final Map<String, DescribedPlaces> fields = new LinkedHashMap<>();
  private @Nullable DescribedPlaces items;
  private final Map<String, Boolean> values = new LinkedHashMap<>();
  private boolean seen;

  private DescribedPlaces(String path, boolean required) {
    this.path = path;
    this.required = required;
  }

  static DescribedPlaces none() {
    return new DescribedPlaces("$", false);
  }

  static DescribedPlaces of(SchemaView schema) {
    DescribedPlaces root = none();
    new Growing().grow(root, schema, 0, Set.of());
    return root;
  }

  /** Notes what is in a value that came. */
  void see(JsonNode value) {
    seen = true;
    if (!values.isEmpty()) {
      values.computeIfPresent(Words.of(value), (text, before) -> true);
    }
    fields.forEach((name, place) -> {
      JsonNode member = value.get(name);
      if (member != null) {
        place.see(member);
      }
    });
    DescribedPlaces each = items;
    if (each != null) {
      value.forEach(each::see);
    }
  }

  /** All places, and whether each came. */
  List<OperationCoverage.Place> all() {
    List<OperationCoverage.Place> all = new ArrayList<>();
    collect(all);
    return all;
  }

  private void collect(List<OperationCoverage.Place> all) {
    if (!path.equals("$") || !values.isEmpty()) {
      all.add(new OperationCoverage.Place(
          path,
          required,
          seen,
          List.copyOf(values.keySet()),
          values.entrySet().stream()
              .filter(one -> !one.getValue())
              .map(Map.Entry::getKey)
              .toList()));
    }
    fields.values().forEach(place -> place.collect(all));
    DescribedPlaces each = items;
    if (each != null) {
      each.collect(all);
    }
  }

  /** Makes the tree of places; of a schema that is in itself the first round counts. */
  private static final class Growing {
    private int places;

    void grow(DescribedPlaces place, SchemaView schema, int depth, Set<String> passed) {
      Set<String> way = new LinkedHashSet<>(passed);
      if (depth > DEEPEST || places > MOST || !way.addAll(schema.places())) {
        return;
      }
      Set<String> needed = new LinkedHashSet<>();
      for (JsonNode layer : schema.layers()) {
        layer.path("required").forEach(name -> needed.add(name.asString("")));
        layer.path("enum").forEach(value -> place.values.putIfAbsent(Words.of(value), false));
      }
      schema.fields().forEach((name, field) -> {
        places++;
        DescribedPlaces inside = place.fields.computeIfAbsent(
            name, any -> new DescribedPlaces(step(place.path, name), needed.contains(name)));
        grow(inside, field, depth + 1, way);
      });
      for (SchemaView items : schema.items()) {
        DescribedPlaces each =
            place.items == null ? new DescribedPlaces(place.path + "[*]", false) : place.items;
        place.items = each;
        grow(each, items, depth + 1, way);
      }
      for (List<SchemaView> choice : schema.choices()) {
        choice.forEach(form -> grow(place, form, depth + 1, way));
      }
    }

    private static String step(String path, String name) {
      return name.matches("[A-Za-z_][A-Za-z0-9_]*")
          ? path + "." + name
          : path + "['" + name.replace("\\", "\\\\").replace("'", "\\'") + "']";
    }
  }
}
