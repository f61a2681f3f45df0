package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/**
 * A place in a value that fits, and what its schema says of it.
 *
 * @param search takes the changes that are found
 * @param schema speaks of this place
 * @param way where it is
 * @param here what is there in the value made from the schema
 * @param chance makes what is new
 */
record Place(Changes.Search search, SchemaView schema, Way way, JsonNode here, Chance chance) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  void add(String words, String rule, UnaryOperator<JsonNode> change) {
    search.add(words, rule, way, change);
  }

  /** A change that puts the same there, whatever was there before. */
  void put(String words, String rule, JsonNode value) {
    search.add(words, rule, way, any -> value);
  }

  void leftOut(String words, String why) {
    search.leftOut(way, words, why);
  }

  List<JsonNode> layers() {
    return schema.layers();
  }

  boolean has(String keyword) {
    return Limits.has(layers(), keyword);
  }

  long least(String keyword) {
    return Limits.least(layers(), keyword);
  }

  long most(String keyword) {
    return Limits.most(layers(), keyword);
  }

  boolean isWhole() {
    return schema.types().contains("integer") && !schema.types().contains("number");
  }

  /** The fields that must be there. */
  Set<String> required() {
    Set<String> required = new LinkedHashSet<>();
    layers()
        .forEach(layer -> layer.path("required").forEach(name -> required.add(name.asString(""))));
    required.addAll(schema.needed(here));
    return required;
  }

  /** A list of so many items: those that it has, and new ones. */
  JsonNode sized(JsonNode list, int size) {
    ArrayNode copy = MAKE.arrayNode();
    for (int i = 0; i < size; i++) {
      copy.add(i < list.size() ? list.get(i) : item(i));
    }
    return copy;
  }

  private JsonNode item(int index) {
    return made(schema.item(index)).orElse(MAKE.nullNode());
  }

  /** A value that fits a schema, or any if there is none. */
  Optional<JsonNode> made(@Nullable SchemaView wanted) {
    return wanted == null
        ? Optional.of(MAKE.stringNode(chance.text(8)))
        : Examples.of(wanted, chance.fresh());
  }

  /** Values of every kind, to find one that does not fit. */
  static List<JsonNode> ofEachKind() {
    List<JsonNode> kinds = new ArrayList<>();
    kinds.add(MAKE.stringNode("other"));
    kinds.add(MAKE.numberNode(7));
    kinds.add(MAKE.booleanNode(true));
    kinds.add(MAKE.arrayNode());
    kinds.add(MAKE.objectNode());
    return kinds;
  }
}
