package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Secret;
import org.oddlantern.testing.EchoService;

/** Calls that are made wrong by a description, as they come to the service. */
class WrongCallTest {

  @TempDir
  Path folder;

  @AutoClose
  private final EchoService echo = new EchoService();

  private CurrentCase.Binding files = () -> {};

  WrongCallTest() throws IOException {}

  @BeforeEach
  void bind() throws IOException {
    files = CurrentCase.bind(List.of(new Resources(getClass().getClassLoader(), folder)));
    Files.writeString(folder.resolve("yard.yaml"), """
        openapi: 3.1.0
        security: [ { token: [] } ]
        paths:
          /hives/{id}/boxes:
            post:
              parameters:
                - { name: id, in: path, required: true, schema: { type: integer, minimum: 1 } }
                - { name: kind, in: query, required: true, schema: { enum: [long, straw] } }
                - { name: X-Plot, in: header, schema: { type: string, maxLength: 3 } }
                - { name: note, in: query, schema: { type: string } }
              requestBody:
                required: true
                content:
                  application/json:
                    schema: { type: object, properties: { number: { type: integer } }, required: [number] }
              responses: { "201": { description: made, content: { application/json: {} } } }
            patch: { responses: {} }
        components: { securitySchemes: { token: { type: http, scheme: bearer } } }
        """);
  }

  @AfterEach
  void unbind() {
    files.close();
  }

  @Test
  void eachWayIsWrongAtItsPlaceAndAsGoodAsBeforeElsewhere() {
    Service service = Service.reachedAt(echo.address()).bearer(Secret.of("t-o-k-e-n"));
    Call good = Call.post("/hives/{id}/boxes", 4)
        .query("kind", "long")
        .header("X-Plot", "a1")
        .json(Map.of("number", 7));
    Map<String, String> came = new TreeMap<>();
    for (WrongCall wrong :
        Description.named("yard.yaml").operation("POST /hives/{id}/boxes").wrong()) {
      service.send(wrong.in(good));
      EchoService.Request last = echo.last();
      came.put(
          wrong.rule() + ", " + wrong.what(),
          last.method() + " " + last.target() + " " + last.header("X-plot") + " "
              + (last.header("Authorization").isEmpty() ? "nobody " : "")
              + last.header("Content-type") + " "
              + (last.header("Accept").contains("nobody") ? "no reply " : "") + last.body());
    }
    String rest = " a1 application/json ";
    String body = "{\"number\":7}";
    String target = "/hives/4/boxes?kind=long";
    assertEquals(
        new TreeMap<>(Map.ofEntries(
            Map.entry(
                "another kind, id is a text", "POST /hives/other/boxes?kind=long" + rest + body),
            Map.entry("below, id is below 1", "POST /hives/0/boxes?kind=long" + rest + body),
            Map.entry("missing, kind is missing", "POST /hives/4/boxes" + rest + body),
            Map.entry("another kind, kind is a number", "POST /hives/4/boxes?kind=7" + rest + body),
            Map.entry(
                "not one of, kind is not one of those", "POST /hives/4/boxes?kind=x" + rest + body),
            Map.entry(
                "too long, X-Plot is too long",
                "POST " + target + " xxxx application/json " + body),
            Map.entry("missing, there is no body", "POST " + target + " a1  "),
            Map.entry("no JSON, the body is no JSON", "POST " + target + rest + "{\""),
            Map.entry(
                "another content type, the body is of another content type",
                "POST " + target + " a1 application/x-nobody-has-this a;b"),
            Map.entry("null, the value is null", "POST " + target + rest + "null"),
            Map.entry("another kind, the value is a text", "POST " + target + rest + "\"other\""),
            Map.entry("missing, number is missing", "POST " + target + rest + "{}"),
            Map.entry("null, number is null", "POST " + target + rest + "{\"number\":null}"),
            Map.entry(
                "another kind, number is a text",
                "POST " + target + rest + "{\"number\":\"other\"}"),
            Map.entry(
                "no credentials, nobody has signed in",
                "POST " + target + " a1 nobody application/json " + body),
            Map.entry(
                "unmeetable Accept, nothing it has is accepted",
                "POST " + target + rest + "no reply " + body),
            Map.entry("another method, the method is PUT", "PUT " + target + rest + body))),
        came);
  }

  @Test
  void whatIsNotThereIsToldWithTheNearest() {
    Description yard = Description.named("yard.yaml");
    assertEquals(
        "yard.yaml describes no operation 'POST /hive/{id}/boxes'; did you mean POST /hives/{id}/boxes?",
        message(() -> yard.operation("POST /hive/{id}/boxes")));
    assertTrue(
        message(() -> Description.named("/openapi.json")).startsWith("samples are made before"));
    WrongCall id =
        yard.operation("POST /hives/{id}/boxes").wrong().at("path id").get(0);
    assertEquals(
        "the template /hives/4/boxes has no place number 1; write the good call with arguments, like \"/hives/{id}\", id",
        message(() -> id.in(Call.post("/hives/4/boxes"))));
    WrongCall number =
        yard.operation("POST /hives/{id}/boxes").wrong().at("$.number").get(0);
    assertTrue(message(() -> number.in(Call.post("/x").text("a"))).contains("has no JSON body"));
  }

  private static String message(Executable doing) {
    return String.valueOf(assertThrows(IllegalArgumentException.class, doing).getMessage());
  }
}
