package org.oddlantern.internal.description;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.internal.KnownSources;

/** How descriptions are read, by the text of OpenAPI 3.0.3 and 3.1.1, and what is said of those that cannot be. */
class ApiDocumentTest {

  @TempDir
  Path folder;

  private ApiDocument read(String text) throws IOException {
    Files.writeString(folder.resolve("yard.yaml"), text);
    Resources files = new Resources(getClass().getClassLoader(), folder);
    return new KnownDescriptions(
            new KnownSources(files, Map.of(), Set.of()), Draft.DRAFT_2020_12, true)
        .named("yard.yaml");
  }

  /** Path Templating: "when matching URLs, concrete (non-templated) paths would be matched before". */
  @ParameterizedTest
  @CsvSource({
    "/pets/mine,            /pets/mine",
    "/pets/7,               /pets/{id}",
    "/pets/7/vets,          /pets/{id}/vets",
    "/pets/mine/vets,       /pets/mine/{what}",
    "/shops/7.json,         /shops/{id}.json",
    "/shops/7,              /shops/{id}",
    "/a/b/c,                /a/{x}/c",
    "/a/b/d,                /{x}/b/{y}",
    "/pets/,                ''",
    "/pets/7/,              ''",
    "/Pets/mine,            ''",
    "/v2/eu/pets/7,         /pets/{id}",
    "/v2/us/pets/7,         /pets/{id}",
    "/deep/er/pets/mine,    /pets/mine"
  })
  void ofSeveralPathsTheMoreConcreteOneIsMeant(String path, String wanted) throws IOException {
    ApiDocument yard = read("""
        openapi: 3.1.0
        info: { title: yard, version: "1" }
        servers:
          - url: https://yard.example.org/v2/{region}
            variables: { region: { default: eu, enum: [eu, us] } }
          - url: "{where}"
            variables: { where: { default: /deep/er } }
        paths:
          /pets/{id}: { get: {} }
          /pets/mine: { get: {} }
          /pets/{id}/vets: { get: {} }
          /pets/mine/{what}: { get: {} }
          /shops/{id}: { get: {} }
          /shops/{id}.json: { get: {} }
          /a/{x}/c: { get: {} }
          /{x}/b/{y}: { get: {} }
        """);
    assertEquals(
        wanted, yard.place(path, path).map(place -> place.path().text()).orElse(""));
  }

  @Test
  void whatStandsElsewhereIsFollowedAndWhatStandsAtAPathHoldsForItsOperations() throws IOException {
    Files.writeString(folder.resolve("shared.yaml"), """
        answer: { description: it, content: { application/json: { schema: { $ref: "#/kind" } } } }
        kind: { type: string }
        path: { delete: { responses: { "204": { description: gone } } } }
        """);
    ApiDocument yard = read("""
        openapi: 3.0.3
        info: { title: yard, version: "1" }
        security: [ { key: [] } ]
        paths:
          /hives/{id}:
            parameters:
              - { name: id, in: path, required: true, schema: { type: integer } }
              - { name: trace, in: header, schema: { type: string } }
            get:
              security: []
              parameters:
                - { name: trace, in: header, required: true, schema: { type: string } }
              responses: { "200": { $ref: "shared.yaml#/answer" }, 4xx: { description: no } }
            put: { responses: {} }
          /gone: { $ref: "shared.yaml#/path" }
        components: { securitySchemes: { key: { type: apiKey, in: query, name: k } } }
        webhooks: { later: { post: {} } }
        """);
    Operation get = yard.operations().get(0);
    assertEquals(List.of("GET /hives/{id}", "PUT /hives/{id}", "DELETE /gone"), lines(yard));
    assertEquals(
        "path id true, header trace true",
        get.parameters().stream()
            .map(one -> one.in().word() + " " + one.name() + " " + one.required())
            .collect(Collectors.joining(", ")));
    assertTrue(get.security().isOpen());
    assertEquals(
        List.of("key"),
        yard.operations().get(1).security().ways().get(0).stream()
            .map(Security.Scheme::title)
            .toList());
    assertEquals("4XX", get.answer(404).orElseThrow().status());
    assertTrue(get.answer(500).isEmpty());
    assertEquals(1, yard.others().size(), "what it refers to is known, for a journal to keep");
  }

  private static List<String> lines(ApiDocument document) {
    return document.operations().stream().map(Operation::line).toList();
  }

  /** Media types: "the most specific key is applicable". */
  @ParameterizedTest
  @CsvSource({
    "application/json,                application/json",
    "application/json; charset=utf-8, application/json",
    "APPLICATION/JSON,                application/json",
    "application/json; v=2,           application/json; v=2",
    "application/problem+json,        application/*",
    "text/plain,                      */*",
    "image/png,                       */*"
  })
  void theClosestMediaTypeCounts(String type, String wanted) throws IOException {
    Content content = read("""
            openapi: 3.0.3
            paths:
              /hives:
                get:
                  responses:
                    default:
                      description: any
                      content: { application/json: {}, "application/json; v=2": {}, application/*: {}, "*/*": {} }
            """).operations().get(0).answer(200).orElseThrow().content();
    assertEquals(wanted, content.of(type).getKey());
  }

  /** What is wrong, and where. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "swagger: '2.0' | #/swagger: this is Swagger 2.0; OpenAPI 3.0 and 3.1 are read, into which it can be converted",
        "openapi: 4.0.0 | #/openapi: wanted 3.0 or 3.1 with its patch, as 3.1.1; got \"4.0.0\"",
        "openapi: 3.1 | #/openapi: wanted a text, got 3.1 (number)",
        "info: {} | #: 'openapi' is missing",
        "openapi: 3.0.3 | #: 'paths' is missing",
        "[ 1 ] | #: wanted a description of an API (OpenAPI 3.0 or 3.1), got [1] (list of 1)",
        "openapi: 3.0.3\\npaths: { hives: {} } | #/paths/hives: a path begins with a slash",
        "openapi: 3.0.3\\npaths: { '/h/{}': {} } | #/paths/~1h~1{}: its variable {} has no name",
        "openapi: 3.0.3\\npaths: { '/h/{a}': {}, '/h/{b}': {} } | #/paths/~1h~1{b}: it cannot be told apart from /h/{a}",
        "openapi: 3.0.3\\npaths: { /h: { get: { parameters: [ { in: query } ] } } } | #/paths/~1h/get/parameters/0: 'name' is missing",
        "openapi: 3.0.3\\npaths: { /h: { get: { parameters: [ { name: a, in: body } ] } } } | #/paths/~1h/get/parameters/0/in: wanted path, query, header or cookie, got \"body\"",
        "openapi: 3.0.3\\npaths: { /h: { get: { parameters: [ { name: a, in: query, schema: {}, style: pipes } ] } } } | #/paths/~1h/get/parameters/0/style: wanted one of matrix, label, form, simple, spaceDelimited, pipeDelimited, deepObject; got \"pipes\"",
        "openapi: 3.0.3\\npaths: { /h: { get: { responses: { ok: {} } } } } | #/paths/~1h/get/responses/ok: 'ok' is no status; wanted one like 404, a class like 4XX, or default",
        "openapi: 3.0.3\\npaths: { /h: { get: { responses: { '200': { $ref: '#/components/responses/Hiwe' } } } } }\\ncomponents: { responses: { Hive: {} } } | #/paths/~1h/get/responses/200/$ref: yard.yaml#/components/responses/Hiwe is not there: yard.yaml#/components/responses has no 'Hiwe'; did you mean 'Hive'?",
        "openapi: 3.0.3\\npaths: { /h: { $ref: '#/paths/~1i' }, /i: { $ref: '#/paths/~1h' } } | #/paths/~1h: its references run in a circle: yard.yaml#/paths/~1h -> yard.yaml#/paths/~1i -> yard.yaml#/paths/~1h",
        "openapi: 3.0.3\\npaths: { /h: { get: { security: [ { kee: [] } ] } } }\\ncomponents: { securitySchemes: { key: { type: http } } } | #/paths/~1h/get/security/0/kee: there is no scheme 'kee' under components/securitySchemes; it has key",
        "openapi: 3.0.3\\npaths: { /h: { get: { responses: { '200': { content: { application/json: { schema: { type: strin } } } } } } } } | #/paths/~1h/get/responses/200/content/application~1json/schema/type: wanted one of",
        "openapi: 3.1.0\\npaths: { /h: { get: { responses: { '200': { content: { application/json: { schema: { $ref: 'gone.yaml' } } } } } } } } | #/paths/~1h/get/responses/200/content/application~1json/schema/$ref: \"gone.yaml\" leads to nothing",
        "openapi: 3.1.0\\npaths: { /h: { get: { responses: { '200': { content: { application/json: { schema: { $ref: '#/x' } } } } } } } }\\nx: { allOf: [ { $ref: '#/x' } ] } | it refers to itself without end",
        "openapi: 3.0.3\\nservers: [ { url: '/{v}' } ]\\npaths: {} | #/servers/0/url: 'variables' does not say what 'v' is",
        "openapi: 3.0.3\\npaths: { /h: { post: { requstBody: {} } } } | #/paths/~1h/post/requstBody: no such field is known here; is 'requestBody' meant?",
        "openapi: 3.0.3\\npaths: { /h: { pots: {} } } | #/paths/~1h/pots: no such field is known here; is 'post' meant?",
        "openapi: 3.0.3\\npaths: { /h: { get: { parameters: [ { name: a, in: query, type: string } ] } } } | #/paths/~1h/get/parameters/0: it says in neither 'schema' nor 'content' what it looks like",
        "openapi: 3.0.3\\npaths: { /h: { post: { requestBody: {} } } } | #/paths/~1h/post/requestBody: 'content' is missing",
        "openapi: 3.0.3\\npaths: { /h: { get: { responses: { '200': { $ref: 7 } } } } } | #/paths/~1h/get/responses/200/$ref: wanted a text, got 7 (number)",
        "openapi: 3.0.3\\npaths: { /h: { get: { responses: { '200': { content: { a/b: { schema: { $ref: 7 } } } } } } } } | /schema/$ref: wanted a text, got 7 (number)",
        "openapi: 3.0.3\\npaths: { /h: | line"
      })
  void whatCannotBeUsedIsToldWithItsPlace(String text, String wanted) {
    String message =
        String.valueOf(assertThrows(DescriptionProblem.class, () -> read(text.replace("\\n", "\n")))
            .getMessage());
    assertTrue(
        message.startsWith("the description cannot be used: at yard.yaml")
            && message.contains(wanted),
        message);
  }

  @Test
  void referencesWithoutNumberAreToldAndFloodNothing() {
    StringBuilder text =
        new StringBuilder("openapi: 3.1.0\ncomponents:\n  schemas:\n    S9999: {}\n");
    for (int i = 0; i < 9_999; i++) {
      text.append("    S")
          .append(i)
          .append(": { $ref: '#/components/schemas/S")
          .append(i + 1)
          .append("' }\n");
    }
    text.append("paths: { /h: { get: { responses: { '200': { content: { application/json:")
        .append(" { schema: { $ref: '#/components/schemas/S0' } } } } } } } }\n");
    assertTrue(String.valueOf(
            assertThrows(DescriptionProblem.class, () -> read(text.toString())).getMessage())
        .contains("its references go deeper than can be followed"));
  }

  @Test
  void schemasThatLeadBackIntoThemselvesByAValueAndLargeDocumentsAreRead() throws IOException {
    StringBuilder text = new StringBuilder("""
        openapi: 3.1.0
        components:
          schemas:
            Comb: { type: object, properties: { inside: { $ref: "#/components/schemas/Comb" } } }
        paths:
        """);
    for (int i = 0; i < 2_000; i++) {
      text.append("  /path")
          .append(i)
          .append("/{id}: { get: { responses: { default: { content: { application/json:")
          .append(" { schema: { $ref: \"#/components/schemas/Comb\" } } } } } } }\n");
    }
    ApiDocument large = read(text.toString());
    assertEquals(2_000, large.operations().size());
    assertEquals(
        "/path1999/{id}", large.place("/path1999/7", "").orElseThrow().path().text());
  }
}
