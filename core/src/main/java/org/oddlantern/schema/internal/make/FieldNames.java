package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/**
 * Names of fields that an object may have besides those that its schema names.
 *
 * @param schema the schema of the object
 * @param chance makes them
 */
record FieldNames(SchemaView schema, Chance chance) {

  private static final int LONGEST = 60;
  private static final int TRIES = 5;

  /** One for each pattern of names, and one that fits none of them. */
  List<String> all() {
    List<String> names = new ArrayList<>();
    schema.namePatterns().forEach(pattern -> matching(pattern).ifPresent(names::add));
    other().ifPresent(names::add);
    return names;
  }

  /** One that a pattern takes. */
  Optional<String> matching(String pattern) {
    return PatternText.of(pattern, 0, LONGEST, chance).filter(this::mayBe);
  }

  /** One that an object does not have yet. */
  Optional<String> another(JsonNode object) {
    for (int i = 0; i < TRIES; i++) {
      Optional<String> name = schema.fields().keySet().stream()
          .filter(one -> !object.has(one))
          .findFirst()
          .or(() -> all().stream().filter(one -> !object.has(one)).findFirst());
      if (name.isPresent()) {
        return name;
      }
    }
    return Optional.empty();
  }

  private Optional<String> other() {
    List<String> tried = new ArrayList<>(List.of(chance.text(6)));
    for (SchemaView name : schema.names()) {
      @Nullable String made = Texts.of(name, chance);
      if (made != null) {
        tried.add(made);
      }
    }
    return tried.stream().filter(this::mayBe).findFirst();
  }

  private boolean mayBe(String name) {
    SchemaView field = schema.field(name);
    return (field == null || !field.takesNone())
        && schema.names().stream().allMatch(one -> one.accepts(StringNode.valueOf(name)));
  }
}
