package org.oddlantern.internal.described;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.Writing;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.KnownSources;
import org.oddlantern.schema.internal.MetaSchemas;
import org.oddlantern.schema.internal.ReadingRules;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.schema.internal.Side;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What of an exchange is not as described: for each rule one that must be told and one that must not. */
class HoldingTest {

  private static final String YARD = """
      openapi: 3.0.3
      info: { title: yard, version: "1" }
      security: [ { key: [] }, { token: [] } ]
      paths:
        /hives:
          get:
            security: []
            parameters:
              - { name: kind, in: query, schema: { type: string, enum: [long, straw] } }
              - { name: year, in: query, required: true, schema: { type: integer, minimum: 2000 } }
              - { name: X-Trace, in: header, schema: { type: string, maxLength: 4 } }
              - { name: taste, in: cookie, schema: { type: boolean } }
            responses:
              "200":
                description: hives
                headers: { X-Total: { required: true, schema: { type: integer } } }
                content:
                  application/json:
                    schema:
                      type: array
                      items: { $ref: "#/components/schemas/Hive" }
              "404": { description: none }
          post:
            requestBody:
              required: true
              content:
                application/json: { schema: { $ref: "#/components/schemas/Hive" } }
                application/x-www-form-urlencoded:
                  schema: { type: object, properties: { frames: { type: integer } }, required: [frames] }
                multipart/form-data:
                  schema:
                    type: object
                    properties: { photo: { type: string, format: binary }, frames: { type: integer } }
                    required: [photo]
                  encoding: { photo: { contentType: "image/png, image/*" }, frames: { contentType: text/plain } }
            responses: { "201": { description: made }, 4XX: { description: no }, "500": { description: no } }
        /hives/{id}:
          get:
            security: []
            deprecated: true
            parameters: [ { name: id, in: path, required: true, schema: { type: integer } } ]
            responses:
              default:
                description: one
                content: { application/json: { schema: { $ref: "#/components/schemas/Either" } } }
      components:
        securitySchemes:
          key: { type: apiKey, in: query, name: key }
          token: { type: http, scheme: bearer }
        schemas:
          Hive:
            type: object
            properties:
              id: { type: integer, format: int32, readOnly: true }
              label: { type: string, maxLength: 5 }
              secret: { type: string, writeOnly: true }
              plot: { type: string, nullable: true }
            required: [id, label, secret]
            additionalProperties: false
          Straw: { type: object, properties: { of: { type: string }, bands: { type: integer } }, required: [of, bands] }
          Long: { type: object, properties: { of: { type: string }, frames: { type: integer } }, required: [of, frames] }
          Either:
            oneOf: [ { $ref: "#/components/schemas/Straw" }, { $ref: "#/components/schemas/Long" } ]
            discriminator: { propertyName: of, mapping: { s: "#/components/schemas/Straw", l: Long } }
      """;

  private final ApiDocument yard = KnownDescriptions.ofText(
      "yard.yaml",
      "code:/yard.yaml",
      YARD,
      new KnownSources(new Resources(getClass().getClassLoader(), null), Map.of(), Set.of()));

  private List<Deviation> held(String call, String sent, String came, boolean strict) {
    String[] line = call.split(" ", 2);
    String[] parts = came.split(" ", 3);
    List<Header> headers = new ArrayList<>();
    String[] body = sent.split(" ", 2);
    for (String one : body[0].split(",")) {
      if (one.contains("=")) {
        headers.add(new Header(one.split("=", 2)[0], one.split("=", 2)[1]));
      }
    }
    List<Header> back = new ArrayList<>(List.of(new Header("X-Total", "1")));
    if (parts.length > 1) {
      back.add(new Header("Content-Type", parts[1]));
    }
    return new Holding(yard, strict)
        .held(new Facts(
            new Facts.Sent(
                line[0],
                Where.of("http://yard/api" + line[1], "http://yard/api", ""),
                headers,
                body.length < 2 ? Facts.Body.NONE : text(body[1])),
            new Facts.Came(
                Integer.parseInt(parts[0]),
                back,
                parts.length < 3 ? Facts.Body.NONE : text(parts[2]))))
        .deviations();
  }

  private static Facts.Body text(String text) {
    Matcher photo = Pattern.compile("photo(?:<(.*)>)?(.*)").matcher(text);
    return photo.matches()
        ? new Facts.Body(
            9,
            null,
            List.of(
                new Facts.Field(
                    "photo", Objects.requireNonNullElse(photo.group(1), "image/png"), null),
                new Facts.Field("frames", "", photo.group(2))))
        : new Facts.Body(text.length(), text, List.of());
  }

  private static String told(List<Deviation> deviations) {
    return deviations.stream()
        .map(one -> one.subject().rule() + " " + one.finding().where() + ": "
            + one.finding().wanted().replaceAll(", says .*", "") + "; got "
            + one.finding().got().replace(", and the call was accepted", "!"))
        .collect(Collectors.joining("; "));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // operations: accepted counts, refused does not; HEAD is GET without a body; OPTIONS is
        // asked by browsers
        "GET /hivez | - | 200 | OPERATION the operation: an operation that yard.yaml describes; got GET /hivez, which was accepted; it has no such path",
        "GET /hivez | - | 404 |",
        "PUT /hives | - | 200 | OPERATION the operation: an operation that yard.yaml describes; got PUT /hives, which was accepted; it has GET, POST there",
        "PUT /hives | - | 405 |",
        "HEAD /hives?year=2020 | - | 200 |",
        "OPTIONS /hives | - | 204 |",
        // parameters
        "GET /hives | - | 200 application/json [] | PARAMETER the query parameter year: it, since it is required; got nothing: it was not sent!",
        "GET /hives | - | 404 |",
        "GET /hives?year=1999 | - | 200 application/json [] | PARAMETER the query parameter year: at least 2000; got 1999!",
        "GET /hives?year=20x9 | - | 200 application/json [] | PARAMETER the query parameter year: a whole number; got \"20x9\" (text)!",
        "GET /hives?year=2020&kind=strw | - | 200 application/json [] | PARAMETER the query parameter kind: one of \"long\", \"straw\"; got \"strw\" (text)!",
        "GET /hives?year=2020&kind=straw&more=1 | - | 200 application/json [] |",
        "GET /hives?year=2020 | X-Trace=abcde | 200 application/json [] | PARAMETER the header parameter X-Trace: at most 4 characters; got 5 characters: \"abcde\"!",
        "GET /hives?year=2020 | Cookie=taste=yes | 200 application/json [] | PARAMETER the cookie parameter taste: true or false; got \"yes\" (text)!",
        "GET /hives?year=2020 | Cookie=taste=true | 200 application/json [] |",
        // credentials
        "POST /hives | - {} | 201 | CREDENTIALS the credentials: what proves who calls (key or token); got none at all!",
        "POST /hives | - {} | 401 |",
        "POST /hives?key=k | Content-Type=application/json {\"label\":\"a\",\"secret\":\"s\"} | 201 |",
        // what was sent
        "POST /hives?key=k | - | 201 | SENT_BODY the body that was sent: one, since it is required; got nothing: none was sent!",
        "POST /hives?key=k | Content-Type=text/csv a;b | 201 | SENT_TYPE the header Content-Type of the call: application/json or application/x-www-form-urlencoded or multipart/form-data; got text/csv!",
        "POST /hives?key=k | Content-Type=text/csv a;b | 415 |",
        "POST /hives?key=k | Authorization=***,Content-Type=application/json {\"label\":\"toolong\",\"secret\":\"s\"} | 201 | SENT_BODY what was sent, $.label: at most 5 characters; got 7 characters: \"toolong\"!",
        "POST /hives?key=k | Content-Type=application/json {\"label\":\"toolong\"} | 422 |",
        "POST /hives?key=k | Content-Type=application/json {\"label\":\"***oolong\",\"secret\":\"***\"} | 201 |",
        "POST /hives?key=k | Content-Type=application/x-www-form-urlencoded frames=2 | 201 |",
        "POST /hives?key=k | Content-Type=application/x-www-form-urlencoded frames=two | 201 | SENT_BODY what was sent, $.frames: a whole number; got \"two\" (text)!",
        "POST /hives?key=k | Content-Type=multipart/form-data photo7 | 201 |",
        "POST /hives?key=k | Content-Type=multipart/form-data photo<image/GIF; q=1>7 | 201 |",
        "POST /hives?key=k | Content-Type=multipart/form-data photo<text/csv>7 | 201 | SENT_TYPE the Content-Type of the part photo: image/png, image/*; got text/csv!",
        "POST /hives?key=k | Content-Type=multipart/form-data photo<>7 | 201 | SENT_TYPE the Content-Type of the part photo: image/png, image/*; got none, which is text/plain!",
        "POST /hives?key=k | Content-Type=multipart/form-data photo<text/csv>7 | 415 |",
        "POST /hives?key=k | Content-Type=multipart/form-data photoseven | 201 | SENT_BODY what was sent, $.frames: a whole number; got \"seven\" (text)!",
        // what came: statuses by themselves, by class, by default
        "GET /hives?year=2020 | - | 202 | STATUS the status: 200 or 404; got 202",
        "POST /hives?key=k | Content-Type=application/json {\"label\":\"a\",\"secret\":\"s\"} | 409 |",
        "POST /hives?key=k | Content-Type=application/json {\"label\":\"a\",\"secret\":\"s\"} | 503 | STATUS the status: 201 or 4XX or 500; got 503",
        "GET /hives/7 | - | 418 |",
        "GET /hives?year=2020 | - | 200 text/html <p> | TYPE the header Content-Type: application/json for 200; got text/html",
        "POST /hives?key=k | Content-Type=application/json {\"label\":\"a\",\"secret\":\"s\"} | 201 application/json {} | TYPE the header Content-Type: no body for 201; got application/json",
        "GET /hives?year=2020 | - | 200 application/json [ | BODY the body: JSON, as its content type says; got line 1, column 2: it ends in the middle of a list",
        "GET /hives?year=2020 | - | 200 application/json [{\"id\":1,\"label\":\"a\"}] |",
        "GET /hives?year=2020 | - | 200 application/json [{\"id\":1,\"label\":\"a\",\"plot\":null}] |",
        "GET /hives?year=2020 | - | 200 application/json [{\"label\":\"a\"}] | BODY $[0]: the field 'id'; got an object with label",
        "GET /hives?year=2020 | - | 200 application/json [{\"id\":3000000000,\"label\":\"a\"}] | BODY $[0].id: at most 2147483647; got 3000000000",
        "GET /hives?year=2020 | - | 200 application/json [{\"id\":1,\"label\":\"a\",\"secret\":\"s\"}] | BODY $[0].secret: no field 'secret'; got \"s\" (text)",
        "GET /hives?year=2020 | - | 200 application/json [{\"id\":\"***\",\"label\":\"a\"}] |",
        "GET /hives/7 | - | 200 application/json {\"of\":\"l\",\"frames\":1} |",
        "GET /hives/7 | - | 200 application/json {\"of\":\"l\",\"bands\":1.5} | BODY $: the field 'frames'; got an object with of, bands"
      })
  void eachRuleIsHeld(String call, String sent, String came, String wanted) {
    assertEquals(wanted == null ? "" : wanted, told(held(call, sent, came, false)));
  }

  @Test
  void whatIsForRepliesAloneMayBeSentUnlessItMustNot() {
    String sent = "Content-Type=application/json {\"id\":1,\"label\":\"a\",\"secret\":\"s\"}";
    assertEquals("", told(held("POST /hives?key=k", sent, "201", false)));
    assertEquals(
        "SENT_BODY what was sent, $.id: no field 'id'; got 1 (number)!",
        told(held("POST /hives?key=k", sent, "201", true)));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "GET /hives?year=2020 | 202 application/json {\"a\":[1]} | yard.yaml#/paths/~1hives/get/responses | '202':\\n  description: Accepted\\n  content:\\n    application/json:\\n      schema:\\n        type: object",
        "GET /hives/7 | 200 application/json {\"of\":\"l\",\"frames\":null} | yard.yaml#/components/schemas/Long/properties/frames | nullable: true",
        "GET /hives?year=2020 | 200 application/json [{\"id\":1,\"label\":\"a\",\"bees\":true}] | yard.yaml#/components/schemas/Hive/properties | bees:\\n  type: boolean",
        "GET /hives?year=2020&kind=top | 200 application/json [] | yard.yaml#/paths/~1hives/get/parameters/0/schema/enum | - top",
        "PUT /hives/7 | 204 | yard.yaml#/paths/~1hives~1{id} | put:\\n  responses:\\n    '204':\\n      description: No Content"
      })
  void whatWouldMakeItSaySoIsWrittenAsTheDescriptionIs(
      String call, String came, String place, String lines) {
    Proposal proposal = held(call, "-", came, false).get(0).proposal();
    assertEquals(place, proposal.place());
    assertEquals(
        lines.replace("\\n", "\n"),
        proposal
            .lines()
            .lines()
            .limit(lines.split("\\\\n").length)
            .collect(Collectors.joining("\n")));
  }

  /** The table Style Examples of OpenAPI 3.0.3 and 3.1.1, for a parameter that is named color. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "matrix | false | ;color=blue                | ;color=blue,black,brown              | ;color=R,100,G,200,B,150",
        "matrix | true  | ;color=blue                | ;color=blue;color=black;color=brown  | ;R=100;G=200;B=150",
        "label  | false | .blue                      | .blue,black,brown                    | .R,100,G,200,B,150",
        "label  | true  | .blue                      | .blue.black.brown                    | .R=100.G=200.B=150",
        "simple | false | blue                       | blue,black,brown                     | R,100,G,200,B,150",
        "simple | true  | blue                       | blue,black,brown                     | R=100,G=200,B=150",
        "form   | false | color=blue                 | color=blue,black,brown               | color=R,100,G,200,B,150",
        "form   | true  | color=blue                 | color=blue&color=black&color=brown   | R=100&G=200&B=150",
        "spaceDelimited | false | -                  | color=blue%20black%20brown           | color=R%20100%20G%20200%20B%20150",
        "pipeDelimited  | false | -                  | color=blue%7Cblack%7Cbrown           | color=R%7C100%7CG%7C200%7CB%7C150",
        "deepObject     | true  | -                  | -                                    | color%5BR%5D=100&color%5BG%5D=200&color%5BB%5D=150"
      })
  void valuesAreReadFromTextsInEachStyle(
      String style, boolean explode, String text, String list, String object) {
    read(style, explode, text, "{\"type\":\"string\"}", "\"blue\"");
    read(
        style,
        explode,
        list,
        "{\"type\":\"array\",\"items\":{\"type\":\"string\"}}",
        "[\"blue\",\"black\",\"brown\"]");
    read(
        style,
        explode,
        object,
        "{\"type\":\"object\",\"properties\":{\"R\":{\"type\":\"integer\"},\"G\":{\"type\":\"integer\"},\"B\":{\"type\":\"integer\"}}}",
        "{\"R\":100,\"G\":200,\"B\":150}");
  }

  private static void read(
      String style, boolean explode, String text, String schema, String wanted) {
    if (text.equals("-")) {
      return;
    }
    Writing.Style known = Arrays.stream(Writing.Style.values())
        .filter(one -> one.word().equals(style))
        .findFirst()
        .orElseThrow();
    WrittenValue value = new WrittenValue("color", new Writing(known, explode), view(schema));
    boolean alone = Set.of("matrix", "label", "simple").contains(style);
    JsonNode got = alone ? value.in(text, one -> one) : value.in(Where.parameters(text));
    assertNotNull(got, text);
    assertEquals(wanted, got.toString(), text);
  }

  private static SchemaView view(String schema) {
    KnownSources none = new KnownSources(
        new Resources(HoldingTest.class.getClassLoader(), null), Map.of(), Set.of());
    return CompiledSchema.read(
            new Document("schema", "code:/schema", JsonMapping.standard().parse(schema)),
            "",
            new ReadingRules(
                Draft.DRAFT_2020_12, true, Map.of(), none, new MetaSchemas(), true, Side.ANY))
        .view();
  }
}
