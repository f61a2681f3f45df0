package org.oddlantern.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.payload.Fresh;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Values made from schemas, ways to break them, and ways to go just as far as they allow. */
class RecipesTest {

  record Hive(String label, Integer frames, List<String> notes) {}

  private static final Schema HIVE = Schema.text("""
      { "type": "object",
        "properties": {
          "label": { "type": "string", "minLength": 2, "maxLength": 5 },
          "frames": { "type": "integer", "minimum": 1, "maximum": 9, "multipleOf": 3 },
          "notes": { "type": "array", "items": { "enum": ["calm", "busy"] }, "minItems": 1, "maxItems": 2 } },
        "required": ["label", "frames"], "additionalProperties": false }
      """);

  private static Json changed(Wrong<Object> wrong, Object good) {
    return wrong.in(good).tree(value -> Json.of(JsonMapping.standard().tree(value)));
  }

  private static Json changed(Edge<Object> edge, Object good) {
    return edge.in(good).tree(value -> Json.of(JsonMapping.standard().tree(value)));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "label is missing | missing | $.label | {\"frames\":3,\"notes\":[\"calm\"]}",
        "label is null | null | $.label | {\"label\":null,\"frames\":3,\"notes\":[\"calm\"]}",
        "label is a number | another kind | $.label | {\"label\":7,\"frames\":3,\"notes\":[\"calm\"]}",
        "label is too short | too short | $.label | {\"label\":\"h\",\"frames\":3,\"notes\":[\"calm\"]}",
        "label is too long | too long | $.label | {\"label\":\"heaaaa\",\"frames\":3,\"notes\":[\"calm\"]}",
        "frames is below 3 | below | $.frames | {\"label\":\"hea\",\"frames\":0,\"notes\":[\"calm\"]}",
        "frames is above 9 | above | $.frames | {\"label\":\"hea\",\"frames\":12,\"notes\":[\"calm\"]}",
        "frames is no multiple of 3 | no multiple | $.frames | {\"label\":\"hea\",\"frames\":7,\"notes\":[\"calm\"]}",
        "notes has one item too few | too few items | $.notes | {\"label\":\"hea\",\"frames\":3,\"notes\":[]}",
        "notes[0] is not one of those | not one of | $.notes[0] | {\"label\":\"hea\",\"frames\":3,\"notes\":[\"calmx\"]}",
        "surplus is an unknown field | unknown field | $.surplus | {\"label\":\"hea\",\"frames\":3,\"notes\":[\"calm\"],\"surplus\":\"other\"}"
      })
  void aGoodValueIsBrokenAtOnePlace(String what, String rule, String place, String wanted) {
    Wrong<Object> wrong = HIVE.wrong(Object.class).stream()
        .filter(one -> one.what().equals(what))
        .findFirst()
        .orElseThrow();
    assertEquals(rule, wrong.rule());
    assertEquals(place, wrong.place());
    assertEquals(wanted, changed(wrong, new Hive("hea", 3, List.of("calm"))).toString());
  }

  @Test
  void edgesGoJustAsFarAsIsAllowedAndStayNew() {
    Map<String, String> edges = HIVE.edges(Object.class).stream()
        .collect(Collectors.toMap(
            Edge::what, one -> changed(one, new Hive("hea", 3, List.of("calm"))).toString()));
    assertTrue(
        edges.get("label is as short as it may be").contains("\"label\":\"ea\""), edges.toString());
    assertTrue(
        edges.get("label is as long as it may be").contains("\"label\":\"heaaa\""),
        edges.toString());
    assertTrue(edges.get("frames is 9, the most").contains("\"frames\":9"), edges.toString());
    assertTrue(edges.get("frames is 3, the least").contains("\"frames\":3"), edges.toString());
    assertFalse(edges.get("notes is left out").contains("notes"), edges.toString());
    assertTrue(
        edges.get("label has letters from elsewhere").contains("Zo\u00eb \u8702"),
        edges.toString());
  }

  @Test
  void whatWasNotGoodIsRefusedAsASentence() {
    Wrong<Object> tooLong = HIVE.wrong(Object.class).only("too long").get(0);
    assertEquals(
        "label is too long: the value to begin with is not good: at $.frames wanted at least 1, says the schema#/properties/frames/minimum, got 0",
        refusal(tooLong, Map.of("label", "hea", "frames", 0)));
    Wrong<Object> fewer = HIVE.wrong(Object.class).only("too few items").get(0);
    assertEquals(
        "notes has one item too few: the value to begin with has nothing at $.notes",
        refusal(fewer, Map.of("label", "hea", "frames", 3)));
  }

  private static String refusal(Wrong<Object> recipe, Object good) {
    return String.valueOf(assertThrows(IllegalArgumentException.class, () -> changed(recipe, good))
        .getMessage());
  }

  @Test
  void someCanBeChosen() {
    Recipes<Wrong<Object>> all = HIVE.wrong(Object.class);
    assertEquals(
        List.of("label is missing", "frames is missing").stream().sorted().toList(),
        all.only("missing").stream().map(Wrong::what).sorted().toList());
    assertTrue(all.without("null").stream().noneMatch(one -> one.rule().equals("null")));
    assertTrue(all.at("$.notes").stream().allMatch(one -> one.place().startsWith("$.notes")));
    assertTrue(
        String.valueOf(assertThrows(IllegalArgumentException.class, () -> all.only("to long"))
                .getMessage())
            .startsWith("nothing has the rule 'to long'; there are ["));
    StringBuilder many = new StringBuilder();
    for (int i = 0; i < 60; i++) {
      many.append(i == 0 ? "" : ",")
          .append("\"f")
          .append(i)
          .append("\":{\"type\":\"string\",\"maxLength\":3}");
    }
    Schema wide = Schema.text("{\"type\":\"object\",\"properties\":{" + many + "}}");
    assertEquals(100, wide.wrong(Object.class).size());
    assertEquals(2 + 3 * 60, wide.wrong(Object.class).all().size());
  }

  /** Texts of patterns that are seen in descriptions. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "^[a-z]+$",
        "^[A-Z]{2}-\\d{4}$",
        "^(red|green)$",
        "^\\+?[1-9]\\d{6,14}$",
        "^[^@\\s]+@[^@\\s]+$",
        "^#(?:[0-9a-fA-F]{3}){1,2}$",
        "^\\S+$",
        "^v?\\d+\\.\\d+(\\.\\d+)?$",
        "^[\\w.-]{3,20}$",
        "^\\p{Lu}\\p{L}*$",
        "\\d",
        "^$",
        "^/[a-z0-9/_-]*$",
        "^arn:[a-z]+:[^:]+:.*$"
      })
  void textsAreMadeByPatterns(String pattern) {
    Schema schema = Schema.of(Json.of(
        JsonNodeFactory.instance.objectNode().put("type", "string").put("pattern", pattern)));
    for (int i = 0; i < 20; i++) {
      assertTrue(schema.accepts(schema.example(Fresh.seeded("pattern", pattern + i))));
    }
  }

  /** Of schemas made at random: every example fits, every break is one of its place alone, every edge fits. */
  @Test
  void whateverASchemaSaysItIsProven() {
    Random random = new Random(20261130);
    int made = 0;
    Map<String, Integer> wrongs = new TreeMap<>();
    int edges = 0;
    for (int i = 0; i < 400; i++) {
      JsonNode tree = new RandomSchema(random).schema(0);
      Schema schema = Schema.of(Json.of(tree));
      Json example;
      try {
        example = schema.example(Fresh.seeded("random", String.valueOf(i)));
      } catch (IllegalArgumentException e) {
        continue; // nothing fits, or nothing was found that does
      }
      made++;
      assertTrue(schema.accepts(example), tree + " " + example);
      for (Wrong<Object> wrong : schema.wrong(Object.class).all()) {
        if (breaks(wrong, schema, example, tree)) {
          wrongs.merge(wrong.rule(), 1, Integer::sum);
        }
      }
      for (Edge<Object> edge : schema.edges(Object.class).all()) {
        try {
          assertTrue(schema.accepts(changed(edge, example)), edge + " " + tree);
          edges++;
        } catch (IllegalArgumentException e) {
          assertTrue(String.valueOf(e.getMessage()).contains(": "), e.getMessage());
        }
      }
    }
    assertTrue(made > 300 && edges > 600, made + " " + edges);

    assertEquals(20, wrongs.size(), "each rule was tried: " + wrongs);
  }

  private static boolean breaks(Wrong<Object> wrong, Schema schema, Json good, JsonNode tree) {
    Json changed;
    try {
      changed = changed(wrong, good);
    } catch (IllegalArgumentException e) {
      return false; // this value has no such place, or another form
    }
    String told = wrong + " in " + good + " by " + tree;
    assertFalse(schema.accepts(changed), told);
    String place = wrong.place();
    schema
        .differences(Location.ROOT, changed)
        .forEach(one -> assertTrue(
            one.where().toString().startsWith(place)
                || place.startsWith(one.where().toString()),
            told + ": " + one));
    return true;
  }

  /** Makes schemas. */
  private record RandomSchema(Random random) {

    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    JsonNode schema(int depth) {
      ObjectNode schema = MAKE.objectNode();
      switch (random.nextInt(depth < 3 ? 8 : 4)) {
        case 0 -> text(schema);
        case 1 -> number(schema);
        case 2 -> schema.put("type", "boolean");
        case 3 -> named(schema);
        case 4, 5 -> object(schema, depth);
        case 6 -> list(schema, depth);
        default -> choice(schema, depth);
      }
      return schema;
    }

    private void text(ObjectNode schema) {
      schema.put("type", "string");
      int least = random.nextInt(4);
      if (random.nextBoolean()) {
        schema.put("minLength", least);
      }
      if (random.nextBoolean()) {
        schema.put("maxLength", least + random.nextInt(20));
      }
      if (random.nextInt(4) == 0) {
        schema.put("pattern", List.of("^[a-z]+$", "\\S", "^x", "\\d{2}$").get(random.nextInt(4)));
      }
      if (random.nextInt(5) == 0) {
        schema.put("format", List.of("date", "email", "uuid", "ipv4").get(random.nextInt(4)));
      }
    }

    private void number(ObjectNode schema) {
      schema.put("type", random.nextBoolean() ? "integer" : "number");
      int least = random.nextInt(20) - 10;
      if (random.nextBoolean()) {
        schema.put(random.nextInt(3) == 0 ? "exclusiveMinimum" : "minimum", least);
      }
      if (random.nextBoolean()) {
        schema.put(
            random.nextInt(3) == 0 ? "exclusiveMaximum" : "maximum",
            least + 1 + random.nextInt(30));
      }
      if (random.nextInt(4) == 0) {
        schema.put("multipleOf", 1 + random.nextInt(5));
      }
    }

    private void named(ObjectNode schema) {
      ArrayNode values = schema.putArray("enum");
      for (int i = 0; i <= random.nextInt(4); i++) {
        if (random.nextBoolean()) {
          values.add("v" + i);
        } else {
          values.add(i);
        }
      }
    }

    private void object(ObjectNode schema, int depth) {
      schema.put("type", "object");
      ObjectNode properties = schema.putObject("properties");
      List<String> names = new ArrayList<>();
      for (int i = 0; i < 1 + random.nextInt(4); i++) {
        properties.set("f" + i, schema(depth + 1));
        names.add("f" + i);
      }
      ArrayNode required = schema.putArray("required");
      names.stream().filter(name -> random.nextBoolean()).forEach(required::add);
      switch (random.nextInt(6)) {
        case 0, 1 -> schema.put("additionalProperties", false);
        case 2 -> schema.set("additionalProperties", schema(3));
        case 3 -> schema.putObject("patternProperties").set("^p[0-9]$", schema(depth + 1));
        default -> {}
      }
      if (random.nextInt(6) == 0) {
        schema.putObject("propertyNames").put("maxLength", 2 + random.nextInt(8));
      }
      if (random.nextInt(6) == 0) {
        schema.put("minProperties", 1 + random.nextInt(4));
      }
      if (random.nextInt(6) == 0) {
        schema.put("maxProperties", 2 + random.nextInt(6));
      }
      if (random.nextInt(6) == 0) {
        schema.putObject("dependentRequired").putArray("f0").add("f1");
      }
      if (random.nextInt(6) == 0) {
        ObjectNode condition = schema.putObject("if");
        condition.putObject("properties").set("f0", schema(3));
        condition.putArray("required").add("f0");
        schema.putObject("then").putArray("required").add("f1");
      }
    }

    private void list(ObjectNode schema, int depth) {
      schema.put("type", "array");
      schema.set("items", schema(depth + 1));
      if (random.nextInt(5) == 0) {
        schema.putArray("prefixItems").add(schema(depth + 1)).add(schema(3));
      }
      if (random.nextInt(4) == 0) {
        schema.set("items", schema(3).deepCopy());
        schema.putObject("contains").setAll((ObjectNode) schema.path("items"));
        ((ObjectNode) schema.path("items")).removeAll();
        if (random.nextBoolean()) {
          schema.put("maxContains", 1 + random.nextInt(2));
        }
      }
      int least = random.nextInt(3);
      if (random.nextBoolean()) {
        schema.put("minItems", least);
      }
      if (random.nextBoolean()) {
        schema.put("maxItems", least + random.nextInt(4));
      }
      if (random.nextInt(3) == 0) {
        schema.put("uniqueItems", true);
      }
    }

    private void choice(ObjectNode schema, int depth) {
      String keyword = List.of("oneOf", "anyOf", "allOf").get(random.nextInt(3));
      ArrayNode forms = schema.putArray(keyword);
      for (int i = 0; i < 1 + random.nextInt(3); i++) {
        forms.add(schema(depth + 1));
      }
      if (random.nextInt(5) == 0) {
        schema.set("not", schema(3));
      }
    }
  }
}
