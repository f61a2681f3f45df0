package org.oddlantern.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Schemas made of samples: they accept every sample and tell what the samples have in common. */
class SketchTest {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  @Test
  void tellsWhatTheSamplesHaveInCommon() {
    Json schema = Sketch.closed()
        .of(
            List.of(
                Json.parse(
                    "{\"id\":1,\"w\":2,\"on\":\"2026-05-13\",\"who\":null,\"tags\":[],\"at\":{\"x\":1}}"),
                Json.parse(
                    "{\"id\":2,\"w\":2.5,\"on\":\"2026-05-14\",\"who\":\"wren\",\"tags\":[\"a\",\"b\"]}")));
    assertEquals(Json.parse("""
            { "$schema": "https://json-schema.org/draft/2020-12/schema", "type": "object",
              "properties": {
                "id": { "type": "integer" }, "w": { "type": "number" },
                "on": { "type": "string", "format": "date" }, "who": { "type": ["string", "null"] },
                "tags": { "type": "array", "items": { "type": "string" } },
                "at": { "type": "object", "properties": { "x": { "type": "integer" } },
                        "required": ["x"], "additionalProperties": false } },
              "required": ["id", "w", "on", "who", "tags"], "additionalProperties": false }
            """), schema);
  }

  @Test
  void fewValuesThatRepeatAreAnEnumeration() {
    List<Json> samples = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      samples.add(
          Json.parse("{\"mood\":" + (i == 3 ? "null" : "\"" + (i % 2 == 0 ? "calm" : "busy") + "\"")
              + ",\"label\":\"hive " + i + "\",\"token\":\"***\"}"));
    }
    JsonNode properties = Trees.of(Sketch.open().of(samples)).path("properties");
    assertEquals(json("[\"busy\",\"calm\",null]"), properties.path("mood").path("enum"));
    assertFalse(properties.path("label").has("enum"), "values that differ are free");
    assertFalse(properties.path("token").has("enum"), "what is hidden may be anything");
    assertFalse(
        Sketch.open().of(samples.subList(0, 6)).at("$.properties.mood.enum").isPresent());
    assertThrows(IllegalArgumentException.class, () -> Sketch.open().of(List.of()));
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 250, 500, 750})
  void acceptsEverySampleAndRefusesOneFieldOfAnotherType(int first) {
    int changed = 0;
    for (int seed = first; seed < first + 250; seed++) {
      Random random = new Random(seed);
      ObjectNode model = object(random, 0);
      List<Json> samples = new ArrayList<>();
      for (int i = 0; i < 1 + random.nextInt(6); i++) {
        samples.add(Json.of(varied(model, random)));
      }
      Schema sketch = Schema.sketch(samples);
      Schema closed = Schema.of(Sketch.closed().of(samples));
      for (Json sample : samples) {
        assertTrue(sketch.accepts(sample), () -> sketch.json() + " does not accept " + sample);
        assertTrue(closed.accepts(sample), () -> closed.json() + " does not accept " + sample);
        ObjectNode copy = (ObjectNode) Trees.of(sample).deepCopy();
        if (retyped(copy, Trees.of(sketch.json()), random)) {
          changed++;
          assertFalse(sketch.accepts(Json.of(copy)), () -> sketch.json() + " accepts " + copy);
        }
      }
    }
    assertTrue(changed > 500, "only " + changed + " samples had a field to change");
  }

  /** Gives one field a type that no sample has at its place. */
  private static boolean retyped(ObjectNode sample, JsonNode schema, Random random) {
    List<Map.Entry<String, JsonNode>> fields = new ArrayList<>(sample.properties());
    if (fields.isEmpty()) {
      return false;
    }
    Map.Entry<String, JsonNode> field = fields.get(random.nextInt(fields.size()));
    JsonNode known = schema.path("properties").path(field.getKey());
    if (field.getValue() instanceof ObjectNode inner && random.nextBoolean()) {
      return retyped(inner, known, random);
    }
    String types = known.path("type").toString();
    JsonNode other = types.contains("boolean") ? MAKE.stringNode("true") : MAKE.booleanNode(true);
    if (types.contains("boolean") && types.contains("string")) {
      return false;
    }
    sample.set(field.getKey(), other);
    return true;
  }

  private static ObjectNode object(Random random, int depth) {
    ObjectNode object = MAKE.objectNode();
    for (int i = 0; i < random.nextInt(6); i++) {
      object.set("f" + i, value(random, depth));
    }
    return object;
  }

  private static JsonNode value(Random random, int depth) {
    return switch (random.nextInt(depth > 3 ? 6 : 8)) {
      case 0 -> MAKE.numberNode(random.nextInt());
      case 1 ->
        MAKE.numberNode(BigDecimal.valueOf(random.nextInt(100_000), random.nextInt(40) - 20));
      case 2 -> MAKE.booleanNode(random.nextBoolean());
      case 3 -> MAKE.nullNode();
      case 4 -> MAKE.stringNode(text(random));
      case 5 -> MAKE.stringNode("2026-0" + (1 + random.nextInt(9)) + "-11");
      case 6 -> object(random, depth + 1);
      default -> {
        ArrayNode list = MAKE.arrayNode();
        for (int i = 0; i < random.nextInt(4); i++) {
          list.add(value(random, depth + 1));
        }
        yield list;
      }
    };
  }

  private static String text(Random random) {
    return List.of(
            "", "calm", "wren@fennelhill.example", "::1", "2026-02-30", "\ud83d\udc1d", "12:00:00Z")
        .get(random.nextInt(7));
  }

  /** The same shape with other values, some fields left out, some null. */
  private static JsonNode varied(JsonNode model, Random random) {
    if (model instanceof ObjectNode object) {
      ObjectNode copy = MAKE.objectNode();
      object.properties().forEach(field -> {
        if (random.nextInt(8) > 0) {
          copy.set(field.getKey(), varied(field.getValue(), random));
        }
      });
      return copy;
    }
    return random.nextInt(12) == 0
        ? MAKE.nullNode()
        : model.isString() ? MAKE.stringNode(text(random)) : model;
  }

  private static JsonNode json(String text) {
    return JsonMapping.standard().parse(text);
  }
}
