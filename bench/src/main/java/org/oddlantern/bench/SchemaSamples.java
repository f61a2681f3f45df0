package org.oddlantern.bench;

import java.util.Random;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Values for the schemas that are measured: one hive, a map of stands, a description of an API. */
final class SchemaSamples {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int FEATURES = 100;
  private static final int PATHS = 40;

  private SchemaSamples() {}

  static ObjectNode hive() {
    return object("""
        { "id": 4711, "label": "Foxglove", "kind": "dadant", "frames": 11, "active": true,
          "settledOn": "2026-04-12", "weight": 32.5, "tags": ["south", "new"], "keeper": null }
        """);
  }

  static ObjectNode badHive() {
    ObjectNode hive = hive().put("frames", 240).put("kind", "dadand");
    hive.remove("label");
    return hive;
  }

  /** Features of several kinds, geometries in geometries. */
  static ObjectNode map() {
    Random random = new Random(4);
    ObjectNode map = object("{ \"type\": \"FeatureCollection\" }");
    ArrayNode features = map.putArray("features");
    for (int i = 0; i < FEATURES; i++) {
      ObjectNode feature = features.addObject().put("type", "Feature").put("id", i);
      feature.putObject("properties").put("label", "stand " + i);
      feature.set("geometry", geometry(random, 0));
    }
    return map;
  }

  static ObjectNode badMap() {
    ObjectNode map = map();
    ObjectNode feature = (ObjectNode) map.path("features").get(FEATURES - 10);
    feature.set(
        "geometry",
        object("{\"type\":\"Polygon\",\"coordinates\":[[[1,2],[3,\"4\"],[5,6],[1,2]]]}"));
    return map;
  }

  private static ObjectNode geometry(Random random, int depth) {
    ObjectNode geometry = MAKE.objectNode();
    switch (depth > 3 ? 0 : random.nextInt(4)) {
      case 0 -> geometry.put("type", "Point").set("coordinates", position(random));
      case 1 -> geometry.put("type", "LineString").set("coordinates", ring(random));
      case 2 -> geometry.put("type", "Polygon").putArray("coordinates").add(ring(random));
      default -> {
        ArrayNode inner = geometry.put("type", "GeometryCollection").putArray("geometries");
        for (int i = 0; i < 3; i++) {
          inner.add(geometry(random, depth + 1));
        }
      }
    }
    return geometry;
  }

  private static ArrayNode ring(Random random) {
    ArrayNode ring = MAKE.arrayNode();
    for (int i = 0; i < 8; i++) {
      ring.add(position(random));
    }
    return ring.add(ring.get(0));
  }

  private static ArrayNode position(Random random) {
    return MAKE.arrayNode()
        .add(Math.round(random.nextDouble() * 1e6) / 1e5)
        .add(Math.round(random.nextDouble() * 1e6) / 1e5);
  }

  /** A description of an API with forty paths and as many schemas. */
  static ObjectNode description() {
    ObjectNode description = object("""
        { "openapi": "3.0.3", "info": { "title": "Fennel Hill beeyard", "version": "1.4.0" },
          "servers": [{ "url": "http://127.0.0.1:7411/api" }] }
        """);
    ObjectNode paths = description.putObject("paths");
    ObjectNode schemas = description.putObject("components").putObject("schemas");
    for (int i = 0; i < PATHS; i++) {
      ObjectNode path = paths.putObject("/hives/{id}/part" + i);
      path.set("get", operation("get", i));
      path.set("put", operation("put", i));
      schemas.set("Hive" + i, object("""
          { "type": "object", "required": ["id"], "additionalProperties": false, "properties": {
            "id": { "type": "integer" }, "label": { "type": "string", "maxLength": 60 },
            "tags": { "type": "array", "items": { "type": "string" } },
            "kind": { "type": "string", "enum": ["long", "straw"] } } }
          """));
    }
    return description;
  }

  static ObjectNode badDescription() {
    ObjectNode description = description();
    JsonNode parameter =
        description.at("/paths/~1hives~1{id}~1part" + PATHS / 2 + "/get/parameters/0");
    ((ObjectNode) parameter).put("in", "paht");
    return description;
  }

  private static ObjectNode operation(String method, int number) {
    return object("""
        { "operationId": "METHODNUMBER", "tags": ["hives"], "summary": "Part NUMBER of a hive",
          "parameters": [
            { "name": "id", "in": "path", "required": true, "schema": { "type": "integer", "minimum": 1 } },
            { "name": "page", "in": "query", "schema": { "type": "integer" } } ],
          "responses": {
            "200": { "description": "fine", "content": { "application/json": {
              "schema": { "$ref": "#/components/schemas/HiveNUMBER" } } } },
            "404": { "description": "none" } },
          "x-team": "south" }
        """.replace("NUMBER", String.valueOf(number)).replace("METHOD", method));
  }

  private static ObjectNode object(String text) {
    return (ObjectNode) JsonMapping.standard().parse(text);
  }
}
