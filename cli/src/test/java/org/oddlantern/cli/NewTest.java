package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A new project, written from what a service says. */
class NewTest {

  private final Path folder = Shell.emptyFolder();
  private volatile String body = "";
  private volatile String type = "application/json; charset=utf-8";
  private volatile int status = 200;
  private HttpServer server;
  private String address = "";

  @BeforeEach
  void start() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
      if (!type.isEmpty()) {
        exchange.getResponseHeaders().add("Content-Type", type);
      }
      exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
      exchange.getResponseBody().write(bytes);
      exchange.close();
    });
    server.start();
    address = "http://127.0.0.1:" + server.getAddress().getPort();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
          200 | application/json;charset=utf-8 | {"id":1,"na me":"\\"x\\"","ok":true,"a":null,"l":[],"$":1,"z":2} | at("$['na me']", anyText())
          200 | application/json | [1,2] | body(anyValue())
          200 | application/json | {} | contentType("application/json")
          200 | application/json | not json | contentType("application/json")
          200 | text/html | <p>hello</p> | contentType("text/html")
          404 | application/problem+json | {"title":"no"} | status(404)
          503 | | busy | status(503)
          204 | | | status(204)
          """)
  void theFirstCaseIsGreenWhateverTheServiceSays(
      int answered, String typed, String said, String check) throws IOException {
    status = answered;
    type = typed == null ? "" : typed;
    body = said == null ? "" : said;
    String told = Shell.says(0, "new", "there", "--url", address + "/api/hives?page=2&x=%22");
    assertTrue(
        told.startsWith("asked     GET " + address + "/api/hives?page=2&x=%22: " + answered), told);
    assertTrue(told.contains("wrote     there/pom.xml\nwrote     there/odd-lantern.yaml\n"), told);
    assertTrue(told.endsWith("\nnext      cd there && mvn test\n"), told);
    String source = Files.readString(folder.resolve("there/src/test/java/api/FirstTest.java"));
    assertTrue(source.contains(check), source);
    Files.copy(folder.resolve("there/odd-lantern.yaml"), folder.resolve("odd-lantern.yaml"));
    String run = Shell.says(0, "run", Shell.compiled("FirstTest", source).toString());
    assertTrue(run.contains("1 passed"), run);
  }

  @Test
  void withoutAnAnswerItSaysSoAndAsksTheBeeyard() throws IOException {
    server.stop(0);
    String told = Shell.says(0, "new", "--url", address);
    assertTrue(told.startsWith("asked     GET " + address + ": "), told);
    assertTrue(told.contains("which 'odd-lantern demo --serve' starts"), told);
    assertTrue(Files.readString(folder.resolve("src/test/java/api/FirstTest.java"))
        .contains("Call.get(\"/api/season\")"));
    assertTrue(told.endsWith("\nnext      mvn test\n"), told);
  }

  /** Whatever operations, fields and sentences are called, what is written compiles, and what can be asked is green. */
  @Test
  void aDescriptionGivesCallsRecordsAndSuites() throws IOException {
    body = "[]";
    Shell.write("api/described.yaml", """
        openapi: 3.0.3
        info: { title: yard, version: "1" }
        servers: [ { url: "%s/v1" } ]
        paths:
          /hives:
            get:
              tags: [ "the hives!" ]
              operationId: class
              summary: all "hives" */ \\u0022 of
                the yard.
              responses: { "200": { description: hives, content: { application/json: { schema: { type: array } } } } }
            post:
              tags: [ "the hives!" ]
              operationId: class
              requestBody:
                content:
                  application/json:
                    schema: { $ref: "parts/hive.yaml#/new hive" }
                    example: { label: "a\\"b" }
              responses: { "200": { description: made, content: { application/json: {} } } }
          /hives/{hive-id}/{int}:
            parameters:
              - { name: hive-id, in: path, required: true, schema: { type: integer, example: 7 } }
              - { name: int, in: path, required: true, schema: { type: string } }
              - { name: X-Plot, in: header, required: true, schema: { type: string, default: slope } }
            get: { tags: [ "the hives!" ], responses: { default: { description: any } } }
          /1st:
            get: { responses: { "200": { description: some, content: { application/json: {} } } } }
            put: { requestBody: { required: true, content: { text/csv: {} } }, responses: {} }
        """.formatted(address));
    Shell.write("api/parts/hive.yaml", """
        new hive:
          type: object
          properties:
            label: { type: string }
            frames: { type: integer }
            queen: { type: object, properties: { year: { type: integer } } }
            boxes: { type: array, items: { $ref: "#/new hive" } }
            odd: { type: object, properties: { a-b: { type: string } } }
        """);
    String told = Shell.says(0, "new", "there", "--from", "api/described.yaml");
    assertTrue(told.contains("wrote     there/src/test/resources/parts/hive.yaml\n"), told);
    Path sources = folder.resolve("there/src/test/java/api");
    String calls = Files.readString(sources.resolve("TheHivesCalls.java"));
    assertTrue(
        calls.contains(
            "static Call getHivesByHiveIdByInt(Object hiveId, Object intValue, Object xPlot)"),
        calls);
    assertTrue(calls.contains("the body is a {@link NewHive}, or a payload"), calls);
    assertTrue(calls.contains("java.util.List<NewHive> boxes"), calls);
    try (Stream<Path> all = Files.list(sources)) {
      Path classes = Shell.compiled("described", all.sorted().toList());
      Files.copy(folder.resolve("there/odd-lantern.yaml"), folder.resolve("odd-lantern.yaml"));
      Shell.write("described.yaml", Files.readString(folder.resolve("api/described.yaml")));
      Shell.write("parts/hive.yaml", Files.readString(folder.resolve("api/parts/hive.yaml")));
      String run = Shell.says(0, "run", classes.toString());
      assertTrue(run.contains("\n2 pending, 3 passed in "), run);
      assertTrue(run.contains("described 3 of 5 operations of described.yaml called"), run);
    }
    assertEquals(
        2, Shell.run("new", "x", "--from", "parts/hive.yaml").status(), "it describes no API");
    assertFalse(Files.exists(folder.resolve("x")));
  }

  @Test
  void whatIsThereIsLeftAsItIsAndTheBuildIsToldWhatItNeeds() throws IOException {
    Shell.write("pom.xml", "<project/>");
    Shell.write("odd-lantern.yaml", "mask: [ X ]\n");
    String told = Shell.says(0, "new", "--ci", "github");
    assertTrue(told.contains("left      pom.xml, which is there already\n"), told);
    assertTrue(told.contains("left      odd-lantern.yaml, which is there already\n"), told);
    assertTrue(told.contains("            <artifactId>odd-lantern</artifactId>\n"), told);
    assertTrue(told.contains("wrote     .github/workflows/api-tests.yml\n"), told);
    assertEquals("<project/>", Files.readString(folder.resolve("pom.xml")));
    assertEquals("mask: [ X ]\n", Files.readString(folder.resolve("odd-lantern.yaml")));
    String again = Shell.says(0, "new", "--ci", "github");
    assertFalse(again.contains("wrote"), again);

    Shell.write("gradle/build.gradle.kts", "");
    String gradle = Shell.says(0, "new", "gradle");
    assertFalse(Files.exists(folder.resolve("gradle/pom.xml")));
    assertTrue(
        gradle.contains("needed    testImplementation(\"org.oddlantern:odd-lantern:"), gradle);
    assertTrue(gradle.contains("cd gradle && gradle test"), gradle);
  }

  @Test
  void wrongWordsAreRefusedBeforeAnythingIsWritten() throws IOException {
    Shell.write("file", "");
    for (List<String> words : List.of(
        List.of("new", "x", "--ci", "circus"),
        List.of("new", "x", "--url", "ftp://there"),
        List.of("new", "x", "--url", "http://a b"),
        List.of("new", "x", "--url", "http://u:p@there"),
        List.of("new", "file"))) {
      Shell.Output output = Shell.run(words.toArray(String[]::new));
      assertEquals(2, output.status(), words + output.out() + output.err());
      assertFalse(output.err().contains("Exception"), output.err());
    }
    assertFalse(Files.exists(folder.resolve("x")));
  }
}
