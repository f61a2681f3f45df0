package org.oddlantern.schema.internal.make;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/**
 * The ways in which the fields of an object can be wrong.
 *
 * @param place where it is
 */
record WrongObjects(Place place) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int MOST_FIELDS = 1_000;

  void find() {
    Set<String> required = new TreeSet<>(place.required());
    for (String name : required) {
      place
          .search()
          .add("is missing", "missing", place.way().then(name), any -> MissingNode.getInstance());
    }
    unknown();
    name();
    new FieldNames(place.schema(), place.chance()).all().forEach(this::otherField);
    tooFew(required);
    tooMany();
  }

  private void unknown() {
    boolean closed = place.layers().stream()
        .anyMatch(layer -> isNone(layer.path("additionalProperties"))
            || isNone(layer.path("unevaluatedProperties")));
    if (closed) {
      String name = place.here().has("surplus") ? place.chance().text(10) : "surplus";
      added(name, "is an unknown field", "unknown field", MAKE.stringNode("other"));
    }
  }

  private static boolean isNone(JsonNode schema) {
    return schema.isBoolean() && !schema.booleanValue();
  }

  private void added(String name, String words, String rule, JsonNode value) {
    place.search().addField(words, rule, place.way().then(name), value);
  }

  /** A field whose name is refused, though its value is not. */
  private void name() {
    List<SchemaView> names = place.schema().names();
    if (names.isEmpty()) {
      return;
    }
    for (String name : List.of("\u00a7", "x", "X", "0", "-", " ", "surplus", "x".repeat(300))) {
      boolean refused = names.stream().anyMatch(one -> !one.accepts(StringNode.valueOf(name)));
      if (refused && !place.here().has(name)) {
        place
            .made(place.schema().field(name))
            .ifPresent(
                value -> added(name, "is a name that no field may have", "wrong name", value));
        return;
      }
    }
    place.leftOut("has a field of a wrong name", "no name was found that is refused");
  }

  /** One of those that have no name of their own. */
  private void otherField(String name) {
    SchemaView field = place.schema().field(name);
    if (field != null && !place.here().has(name)) {
      Place.ofEachKind().stream()
          .filter(value -> !field.accepts(value))
          .findFirst()
          .ifPresent(
              value -> added(name, "does not fit those of such a name", "another kind", value));
    }
  }

  private void tooFew(Set<String> required) {
    int least = (int) place.least("minProperties");
    if (least > 0) {
      place.add("has one field too few", "too few fields", now -> fewer(now, required, least - 1));
    }
  }

  private static JsonNode fewer(JsonNode now, Set<String> required, int most) {
    ObjectNode copy = MAKE.objectNode();
    now.properties().stream().filter(one -> required.contains(one.getKey())).forEach(set(copy));
    now.properties().stream()
        .filter(one -> !required.contains(one.getKey()))
        .limit(Math.max(0, most - copy.size()))
        .forEach(set(copy));
    return copy;
  }

  private static Consumer<Map.Entry<String, JsonNode>> set(ObjectNode object) {
    return one -> object.set(one.getKey(), one.getValue());
  }

  private void tooMany() {
    if (!place.has("maxProperties")) {
      return;
    }
    String words = "has one field too many";
    long most = place.most("maxProperties");
    if (most > MOST_FIELDS) {
      place.leftOut(words, "that would be " + (most + 1) + " fields");
    } else {
      place.add(words, "too many fields", now -> more(now, (int) most + 1));
    }
  }

  private JsonNode more(JsonNode now, int size) {
    ObjectNode copy = MAKE.objectNode();
    now.properties().forEach(set(copy));
    FieldNames names = new FieldNames(place.schema(), place.chance());
    for (int i = 0; i < 3 * size && copy.size() < size; i++) {
      Optional<String> name = names.another(copy);
      name.flatMap(one -> place.made(place.schema().field(one)))
          .ifPresent(value -> copy.set(name.orElseThrow(), value));
    }
    return copy;
  }
}
