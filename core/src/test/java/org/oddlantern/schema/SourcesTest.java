package org.oddlantern.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.internal.KnownSchemas;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Where schemas come from, what they refer to, and what is said of those that cannot be used. */
class SourcesTest {

  @TempDir
  Path folder;

  private CurrentCase.Binding files = () -> {};

  @BeforeEach
  void bind() {
    files = CurrentCase.bind(List.of(new Resources(getClass().getClassLoader(), folder)));
  }

  @AfterEach
  void unbind() {
    files.close();
  }

  @Test
  void aFileRefersToItsNeighboursAndMessagesNameThem() throws IOException {
    write(
        "schemas/hive.json",
        "{\"properties\":{\"keeper\":{\"$ref\":\"people/keeper.json#/$defs/one\"}}}");
    write("schemas/people/keeper.json", "{\"$defs\":{\"one\":{\"$ref\":\"../name.yaml\"}}}");
    write("schemas/name.yaml", "type: string\nmaxLength: 5\n");
    Schema hive = SchemaReader.standard().named("schemas/hive.json");
    assertTrue(hive.accepts(Json.of(json("{\"keeper\":\"wren\"}"))));
    assertEquals(
        "at most 5 characters, says schemas/name.yaml#/maxLength",
        hive.differences(Location.ROOT, Json.of(json("{\"keeper\":\"nightingale\"}")))
            .get(0)
            .wanted());
    assertTrue(SchemaReader.standard()
        .file(folder.resolve("schemas/hive.json"), "")
        .accepts(Json.of(json("{}"))));
  }

  @Test
  void namesGivenInCodeAreKnown() {
    SchemaReader reader = SchemaReader.standard()
        .knowing("https://fennelhill.example/id", Json.of(json("{\"type\":\"integer\"}")))
        .knowing("label.json", Json.of(json("{\"type\":\"string\"}")));
    Schema schema = reader.text(
        "{\"properties\":{\"id\":{\"$ref\":\"https://fennelhill.example/id\"},\"label\":{\"$ref\":\"label.json\"}}}");
    assertTrue(schema.accepts(Json.of(json("{\"id\":1,\"label\":\"a\"}"))));
    assertFalse(schema.accepts(Json.of(json("{\"id\":\"1\"}"))));
    assertFalse(schema.accepts(Json.of(json("{\"label\":1}"))));
  }

  @Test
  void anApiDescriptionIsReachedIntoByItsDialect() throws IOException {
    String text = """
        openapi: %s
        components:
          schemas:
            Hive:
              type: object
              properties:
                queenYear: { type: integer, nullable: true, minimum: 2015, exclusiveMinimum: true }
                kind: { $ref: "#/components/schemas/Kind" }
            Kind: { type: string, enum: [straw] }
        """;
    write("old.yaml", text.formatted("3.0.3"));
    Schema old = SchemaReader.standard().named("old.yaml#/components/schemas/Hive");
    assertTrue(old.accepts(Json.of(json("{\"queenYear\":null,\"kind\":\"straw\"}"))));
    assertFalse(old.accepts(Json.of(json("{\"queenYear\":2015}"))));
    assertFalse(old.accepts(Json.of(json("{\"kind\":null}"))));
    write("new.yaml", text.formatted("3.1.0").replace(", exclusiveMinimum: true", ""));
    Schema fresh = SchemaReader.standard().named("new.yaml#/components/schemas/Hive");
    assertFalse(fresh.accepts(Json.of(json("{\"queenYear\":null}"))));
    assertTrue(fresh.accepts(Json.of(json("{\"queenYear\":2015}"))));
  }

  @Test
  void aFileThatNamesNoDraftIsReadAsWhoRefersToItIs() throws IOException {
    write("part.yaml", "type: string\nnullable: true\n");
    write("api.yaml", "openapi: 3.0.3\ncomponents: { schemas: { A: { $ref: part.yaml } } }\n");
    assertTrue(SchemaReader.standard()
        .named("api.yaml#/components/schemas/A")
        .accepts(Json.of(json("null"))));
    assertFalse(SchemaReader.standard().named("part.yaml").accepts(Json.of(json("null"))));
    write("old.json", "{\"maximum\":3,\"exclusiveMaximum\":true}");
    assertFalse(SchemaReader.standard()
        .text("{\"$schema\":\"http://json-schema.org/draft-04/schema#\",\"$ref\":\"file:%s\"}"
            .formatted(folder.resolve("old.json").toUri().getRawPath()))
        .accepts(Json.of(json("3"))));
  }

  @Test
  void aRunReadsASchemaOnceAndByItsOwnRules() throws IOException {
    write("hive.json", "{\"properties\":{\"on\":{\"format\":\"date\"}}}");
    Resources files = new Resources(getClass().getClassLoader(), folder);
    KnownSchemas known = new KnownSchemas(SchemaReader.standard().assertingFormats(false), files);
    try (CurrentCase.Binding binding = CurrentCase.bind(List.of(known))) {
      Schema hive = Schema.named("hive.json");
      assertSame(hive, Schema.named("hive.json"));
      assertTrue(hive.accepts(Json.of(json("{\"on\":\"soon\"}"))));
      assertTrue(Schema.text("{\"format\":\"date\"}").accepts(Json.of(json("\"soon\""))));
    }
    assertFalse(Schema.text("{\"format\":\"date\"}").accepts(Json.of(json("\"soon\""))));
  }

  @Test
  void aHostIsAskedOnlyIfItIsAllowed() throws IOException {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      byte[] body = "{\"type\":\"integer\"}".getBytes(StandardCharsets.UTF_8);
      exchange.sendResponseHeaders(
          exchange.getRequestURI().getPath().equals("/id") ? 200 : 404, body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.start();
    try {
      String host = "127.0.0.1:" + server.getAddress().getPort();
      String schema = "{\"$ref\":\"http://" + host + "/id\"}";
      SchemaProblem refused =
          assertThrows(SchemaProblem.class, () -> SchemaReader.standard().text(schema));
      assertTrue(
          refused.getMessage().contains("nothing is fetched from " + host), refused.getMessage());
      assertEquals("the schema#/$ref", refused.place());
      SchemaReader allowed = SchemaReader.standard().fetchingFrom(host);
      assertFalse(allowed.text(schema).accepts(Json.of(json("\"x\""))));
      assertTrue(allowed.named("http://" + host + "/id").accepts(Json.of(json("1"))));
      SchemaProblem gone =
          assertThrows(SchemaProblem.class, () -> allowed.named("http://" + host + "/gone"));
      assertTrue(gone.getMessage().contains("gave status 404"), gone.getMessage());
    } finally {
      server.stop(0);
    }
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      {"properties":{"a":{"type":"integr"}}}   | the schema#/properties/a/type        | did you mean 'integer'?
      {"required":"a"}                         | the schema#/required                 | wanted a list, got "a" (text) (draft2020-12)
      {"minLength":-1}                         | the schema#/minLength                | wanted at least 0, got -1
      {"$schema":"http://json-schema.org/draft-04/schema#","exclusiveMinimum":3} | the schema#/exclusiveMinimum | wanted true or false, got 3 (number) (draft4)
      {"properties":{"a":{"pattern":"a(b"}}}   | the schema#/properties/a/pattern     | a group is not closed in the pattern, at character 2
      {"patternProperties":{"[z-a]":{}}}       | the schema#/patternProperties/[z-a]  | a range goes from more to less
      {"$schema":"http://json-schema.org/draft-05/schema#"} | the schema#/$schema     | is an unknown draft; known are http://json-schema.org/draft-04/schema
      {"$ref":"#/$defs/hvie","$defs":{"hive":{}}} | the schema#/$ref                  | has no 'hvie', it is an object with hive; did you mean 'hive'?
      {"$ref":"#hive","$defs":{"x":{"$anchor":"here"}}} | the schema#/$ref            | there is no anchor 'hive' in the schema; it has here
      {"items":{"$ref":"keeper.json"}}         | the schema#/items/$ref               | a schema that was made in code has no neighbours
      {"$ref":"https://fennelhill.example/x"}  | the schema#/$ref                     | nothing is fetched from fennelhill.example
      {"$ref":"http://[/x"}                    | the schema#/$ref                     | is no address (RFC 3986)
      {"$defs":{"a":{"$id":"http://[/x"}}}     | the schema#/$defs/a/$id              | is no address
      {"$schema":"http://[/x"}                 | the schema#/$schema                  | is no address (RFC 3986)
      """)
  void aSchemaThatCannotBeUsedSaysWhereAndWhy(String schema, String place, String reason)
      throws IOException {
    SchemaProblem problem =
        assertThrows(SchemaProblem.class, () -> Schema.of(Json.of(json(schema))));
    assertEquals(place, problem.place());
    assertTrue(problem.getMessage().contains(reason), problem.getMessage());
    write("odd.json", schema);
    SchemaReader remembering = SchemaReader.standard().remembering();
    for (int time = 1; time < 3; time++) {
      problem = assertThrows(
          SchemaProblem.class, () -> remembering.named("odd.json"), "also when it is read again");
      assertEquals(place.replace("the schema", "odd.json"), problem.place());
    }
  }

  @Test
  void aSchemaThatCannotBeUsedLeavesOthersOfItsDocumentAsTheyAre() throws IOException {
    write("hives.json", """
        { "$defs": {
            "count": { "type": "integer" },
            "odd": { "allOf": [{ "$ref": "#/$defs/count" }, { "pattern": "a(b" }] },
            "sound": { "$ref": "#/$defs/count" } } }
        """);
    SchemaReader remembering = SchemaReader.standard().remembering();
    assertThrows(SchemaProblem.class, () -> remembering.named("hives.json#/$defs/odd"));
    Schema sound = remembering.named("hives.json#/$defs/sound");
    assertTrue(sound.accepts(Json.of(json("3"))));
    assertFalse(sound.accepts(Json.of(json("3.5"))));
  }

  @Test
  void filesThatAreMissingOrBrokenSaySo() throws IOException {
    write("broken.json", "{\"type\": }");
    write("twice.yaml", "type: string\ntype: integer\n");
    write("lost.json", "{\"$ref\":\"gone.json\"}");
    String missing = assertThrows(
            IllegalArgumentException.class, () -> SchemaReader.standard().named("no.json"))
        .getMessage();
    assertTrue(missing.startsWith("there is no file 'no.json'"), missing);
    String broken = assertThrows(
            SchemaProblem.class, () -> SchemaReader.standard().named("broken.json"))
        .getMessage();
    assertTrue(broken.contains("at broken.json: this is not JSON: line 1, column 10"), broken);
    String twice = assertThrows(
            SchemaProblem.class, () -> SchemaReader.standard().named("twice.yaml"))
        .getMessage();
    assertTrue(twice.contains("line 2: the key 'type' occurs twice"), twice);
    String lost = assertThrows(
            SchemaProblem.class, () -> SchemaReader.standard().named("lost.json"))
        .getMessage();
    assertTrue(
        lost.contains(
            "at lost.json#/$ref: \"gone.json\" leads to nothing: there is no file 'gone.json'"),
        lost);
    String anchor = assertThrows(
            SchemaProblem.class, () -> SchemaReader.standard().named("lost.json#here"))
        .getMessage();
    assertTrue(anchor.contains("after # a JSON Pointer is wanted"), anchor);
  }

  @Test
  void aVocabularyThatIsRequiredAndUnknownIsRefused() {
    SchemaReader reader = SchemaReader.standard()
        .knowing(
            "https://fennelhill.example/dialect",
            Json.of(json(
                "{\"$schema\":\"https://json-schema.org/draft/2020-12/schema\",\"$vocabulary\":{"
                    + "\"https://json-schema.org/draft/2020-12/vocab/core\":true,"
                    + "\"https://fennelhill.example/vocab/bees\":true}}")));
    SchemaProblem problem = assertThrows(
        SchemaProblem.class,
        () -> reader.text("{\"$schema\":\"https://fennelhill.example/dialect\"}"));
    assertTrue(
        problem.getMessage().contains("https://fennelhill.example/vocab/bees"),
        problem.getMessage());
  }

  @Test
  void formatsMayDescribeOnlyOrBeOnesOwn() {
    String schema = "{\"format\":\"hive-code\",\"properties\":{\"on\":{\"format\":\"date\"}}}";
    SchemaReader own = SchemaReader.standard()
        .withFormat("hive-code", "a hive code like FH-0042", text -> text.matches("FH-\\d{4}"));
    assertTrue(own.text(schema).accepts(Json.of(json("\"FH-0042\""))));
    assertEquals(
        "a hive code like FH-0042, says the schema#/format",
        own.text(schema)
            .differences(Location.ROOT, Json.of(json("\"42\"")))
            .get(0)
            .wanted());
    assertFalse(own.text(schema).accepts(Json.of(json("{\"on\":\"yesterday\"}"))));
    assertTrue(
        own.assertingFormats(false).text(schema).accepts(Json.of(json("{\"on\":\"yesterday\"}"))));
  }

  private void write(String name, String text) throws IOException {
    Files.createDirectories(folder.resolve(name).getParent());
    Files.writeString(folder.resolve(name), text);
  }

  private static JsonNode json(String text) {
    return JsonMapping.standard().parse(text);
  }
}
