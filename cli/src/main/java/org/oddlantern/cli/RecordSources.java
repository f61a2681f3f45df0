package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.SchemaView;

/** Writes records for the bodies that a description asks for. Not thread-safe. */
final class RecordSources {

  private static final int MOST_FIELDS = 60;

  private final JavaNames names;
  private final Map<Set<String>, String> known = new HashMap<>();
  private final Map<String, String> sources = new LinkedHashMap<>();

  RecordSources(JavaNames names) {
    this.names = names;
  }

  /** The records, each as a member of a class. */
  List<String> sources() {
    return new ArrayList<>(sources.values());
  }

  /**
   * The type of a value.
   *
   * @param schema what it is to be; null if nobody says
   * @param words what a record of it is called
   */
  String type(@Nullable SchemaView schema, String words) {
    if (schema == null || !schema.choices().isEmpty()) {
      return "Object";
    }
    List<String> types =
        schema.types().stream().filter(one -> !one.equals("null")).toList();
    if (types.size() > 1) {
      return "Object";
    }
    return switch (types.isEmpty() ? "" : types.get(0)) {
      case "string" -> "String";
      case "integer" -> "Long";
      case "number" -> "java.math.BigDecimal";
      case "boolean" -> "Boolean";
      case "array" ->
        "java.util.List<" + type(schema.item(schema.firstItems()), words + " item") + ">";
      case "object" -> object(schema, words);
      default -> schema.fields().isEmpty() ? "Object" : object(schema, words);
    };
  }

  /** Where it says something, not where it is referred to from. */
  private static Set<String> own(SchemaView schema) {
    List<String> places = new ArrayList<>(schema.places());
    Set<String> own = new LinkedHashSet<>();
    for (int i = 0; i < places.size(); i++) {
      if (!schema.layers().get(i).has("$ref")) {
        own.add(places.get(i));
      }
    }
    return own;
  }

  private String object(SchemaView schema, String words) {
    Map<String, SchemaView> fields = schema.fields();
    boolean named = !fields.isEmpty()
        && fields.size() <= MOST_FIELDS
        && fields.keySet().stream().allMatch(JavaNames::isName);
    if (!named) {
      return "java.util.Map<String, Object>";
    }
    Set<String> own = own(schema);
    String before = known.get(own);
    if (before != null) {
      return before;
    }
    String name = names.type(words);
    known.put(own, name);
    sources.put(name, "");
    List<String> components = new ArrayList<>();
    fields.forEach((field, view) -> components.add(type(view, name + " " + field) + " " + field));
    sources.put(
        name, "  record " + name + "(\n      " + String.join(",\n      ", components) + ") {}\n");
    return name;
  }
}
