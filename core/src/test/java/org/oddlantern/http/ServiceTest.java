package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.json.Key;
import org.oddlantern.json.Secret;
import org.oddlantern.testing.TestService;

/** Calls as they are sent, over real HTTP. */
class ServiceTest {

  @Key
  record Label(String value) {}

  private TestService server;
  private Service service;

  @BeforeEach
  void start() throws IOException {
    server = new TestService();
    service = Service.reachedAt(server.address());
  }

  @AfterEach
  void stop() {
    server.close();
  }

  @Test
  void fillsTemplatesAsOnTheWireAndPercentEncodes() {
    service.send(
        Call.get("/hives/{label}/{n}", new Label("a/b ü?"), 7).query("q", "x&y").query("q", true));
    service.movedTo(server.address() + "/api/").send(Call.delete("hives?all"));
    service.send(Call.get(server.address() + "/elsewhere"));
    assertEquals(
        List.of(
            "GET /hives/a%2Fb%20%C3%BC%3F/7?q=x%26y&q=true",
            "DELETE /api/hives?all", "GET /elsewhere"),
        server.received);
  }

  @Test
  void refusesAddressesThatCannotBe() {
    assertEquals(
        "the template /hives/{id} has 1 place, but no arguments are given",
        assertThrows(IllegalArgumentException.class, () -> Call.get("/hives/{id}"))
            .getMessage());
    assertEquals(
        "the template /hives has no places, but 1 argument is given",
        assertThrows(IllegalArgumentException.class, () -> Call.get("/hives", 1))
            .getMessage());
    assertEquals(
        "'beeyard' is not the address of a service: it must begin with http:// or https://; write it like http://127.0.0.1:7411/api",
        assertThrows(IllegalArgumentException.class, () -> Service.reachedAt("beeyard"))
            .getMessage());
    assertEquals(
        "ListN cannot be in the address /h/{a}: [1]; give one of its values"
            .replace("ListN", "List12"),
        assertThrows(
                IllegalArgumentException.class, () -> service.send(Call.get("/h/{a}", List.of(1))))
            .getMessage());
    assertThrows(IllegalArgumentException.class, () -> Call.method("BAD METHOD", "/"));
    assertThrows(
        IllegalArgumentException.class, () -> Call.get("/").header("X", "a\r\nInjected: b"));
  }

  @Test
  void sendsHeadersOfServiceAndCallTheCallWinning() {
    Service polite = service
        .header("X-Keeper", "wren")
        .header("Accept", "application/json")
        .bearer(Secret.of("t-1"));
    polite.send(Call.post("/things").json("{\"broken\": ").header("x-keeper", "alder"));
    assertEquals(List.of("alder"), server.lastHeaders.get("X-keeper"));
    assertEquals(List.of("application/json"), server.lastHeaders.get("Accept"));
    assertEquals(List.of("Bearer t-1"), server.lastHeaders.get("Authorization"));
    assertEquals(List.of("application/json"), server.lastHeaders.get("Content-type"));
    polite.send(Call.get("/things/1").bearer(Secret.of("t-2")));
    assertEquals(List.of("Bearer t-2"), server.lastHeaders.get("Authorization"));
  }

  @Test
  void sendsTheBodyByteForByte() {
    assertEquals(
        "{\"broken\": ", service.send(Call.post("/echo").json("{\"broken\": ")).text());
    assertEquals(
        "{\"value\":\"ü\"}",
        service.send(Call.put("/echo").json(new Value("ü"))).text());
    assertEquals("null", service.send(Call.patch("/echo").json((Object) null)).text());
  }

  record Value(String value) {}

  @Test
  void readsTypedValuesOrSaysHowFarItCame() {
    Reply reply = service.send(Call.get("/hive"));
    assertEquals("/hive", reply.valueAt("$.path", String.class));
    assertEquals(
        """
        GET %s/hive, answered 200 OK
          valueAt("$.paht", String)
            at      $.paht
            wanted  a value that can be read as String
            got     nothing: the path ends at $, which is an object with path
            hint    did you mean 'path'?""".formatted(server.address()),
        assertThrows(CheckFailed.class, () -> reply.valueAt("$.paht", String.class))
            .getMessage());
    assertTrue(assertThrows(CheckFailed.class, () -> reply.valueAt("$.path", int.class))
        .getMessage()
        .contains("got     \"/hive\" (text)"));
  }

  @Test
  void tellsTheStatusFirstWhenAReadingFailsOnAnErrorNobodyLookedAt() {
    Reply unseen = service.send(Call.get("/status/500"));
    assertEquals(
        """
        GET %s/status/500, answered 500 Internal Server Error
          no error status unless the case asks for it
            at      status
            wanted  a status below 400, since no check asked for another
            got     500 Internal Server Error
            hint    if it is the one you want, say so: status(500)
          valueAt("$.id", Integer)
            at      $.id
            wanted  a value that can be read as Integer
            got     nothing: the path ends at $, which is an object with status""".formatted(server.address()),
        assertThrows(CheckFailed.class, () -> unseen.valueAt("$.id", Integer.class))
            .getMessage());
    Reply seen = service.send(Call.get("/status/500"));
    assertEquals(500, seen.status());
    assertEquals(
        1,
        assertThrows(CheckFailed.class, () -> seen.valueAt("$.id", Integer.class))
            .verdicts()
            .size());
  }

  @Test
  void refusesATimeoutOfNothing() {
    assertEquals(
        "a timeout must be more than zero, but was PT0S",
        assertThrows(IllegalArgumentException.class, () -> service.timeout(Duration.ZERO))
            .getMessage());
  }
}
