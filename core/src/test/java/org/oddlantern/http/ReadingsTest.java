package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.testing.EchoService;
import org.oddlantern.testing.ScriptedServer;
import org.oddlantern.testing.TestService;

/** Bodies that are no JSON, headers read as a type, addresses that a reply gives, and no reply at all. */
class ReadingsTest {

  private final TestService server = new TestService();
  private final Service service = Service.reachedAt(server.address());

  ReadingsTest() throws IOException {}

  @AfterEach
  void close() {
    server.close();
  }

  @Test
  void csvIsAListOfRows() {
    Reply reply = plain("hive;kilograms;note\r\nFoxglove;12.5;\"a;b\"\r\nHeather;9;\r\n");
    reply
        .csv(';')
        .must(
            body(size(2)),
            at("$[0].kilograms", 12.5),
            at("$[1]", including(java.util.Map.of("hive", "Heather", "kilograms", 9))),
            at("$[0].note", "a;b"),
            atEach("$", keysIncluding("hive", "kilograms")));
    CheckFailed failure = assertThrows(
        CheckFailed.class, () -> reply.csv(';').must(atEach("$", at("$.kilograms", atLeast(10)))));
    assertTrue(failure.getMessage().startsWith("the rows of POST "), failure.getMessage());
    assertTrue(failure.getMessage().contains("$[1].kilograms"), failure.getMessage());
  }

  private record Harvest(
      String hive,
      BigDecimal kilograms,
      boolean sold,
      @Nullable Integer jars) {}

  @Test
  void csvIsReadAndSelectedAsWhatItsTextsMean() {
    Evidence csv =
        plain("hive,kilograms,sold,jars\n007,12.50,true,9\n8,9,false,\n").csv();
    assertEquals(
        List.of(
            new Harvest("007", new BigDecimal("12.50"), true, 9),
            new Harvest("8", new BigDecimal("9"), false, null)),
        csv.bodyAsListOf(Harvest.class));
    csv.must(
        at("$[?@.kilograms > 10].hive", items("007")),
        at("$[?9 <= @.kilograms].hive", size(2)),
        at("$[?@.kilograms != 9].hive", items("007")),
        at("$[?@.sold == false].hive", items(8)),
        at("$[?@.jars > @.kilograms]", size(0)));
    assertThrows(CheckFailed.class, () -> csv.must(at("$[?@.hive == 7].hive", not(size(0)))));
    assertTrue(assertThrows(CheckFailed.class, () -> csv.valueAt("$[0].hive", Integer.class))
        .getMessage()
        .contains("a text is not taken for Integer"));
  }

  @Test
  void aNegationSpeaksOfEachOfManyPlaces() {
    Reply reply = service.send(Call.post("/echo")
        .json(java.util.Map.of("hives", List.of("log", "stack"), "none", List.of())));
    reply.must(
        at("$.hives[*]", not("skep")),
        at("$.hives[*]", not("log").and(not(size(3))).or(size(2))),
        at("$.hives", not("log")),
        at("$.hives[*]", not(List.of("log"))));
    CheckFailed one = assertThrows(
        CheckFailed.class, () -> reply.must(at("$.hives[*]", not(textMatching("s.*")))));
    assertTrue(one.getMessage().contains("at      $.hives[1]\n"), one.getMessage());
    CheckFailed none =
        assertThrows(CheckFailed.class, () -> reply.must(at("$.none[*]", not("skep"))));
    assertTrue(
        none.getMessage().contains("nothing: over no value at all this would prove nothing"),
        none.getMessage());
  }

  @Test
  void csvTellsTheLineOfWhatIsNone() {
    plain("\ufeff\nhive, note ,\n\"Fox\nglove\", a ,\n\n")
        .csv()
        .must(body(List.of(java.util.Map.of("hive", "Fox\nglove", " note ", " a "))));
    plain("hive\nHeather\n\nFoxglove\n\n\n")
        .csv()
        .must(at("$[*].hive", items("Heather", "", "Foxglove")));
    plain("hive\n").csv().must(body(empty()));
    assertEquals("there is no line of names", noCsv("\n\n"));
    assertEquals("line 1: the name 'hive' occurs twice", noCsv("hive,hive\nHeather,1"));
    assertEquals(
        "line 4 has one cell, and the line of names has 2",
        noCsv("hive,note\n\"Fox\nglove\",\nHeather"));
    assertEquals("line 2: cell 2 has no name above it", noCsv("hive,\nHeather,calm"));
    String quote =
        "line 3: a quoted cell that begins here is not closed, or goes on after its closing quote";
    assertEquals(quote, noCsv("hive,note\na,b\nHeather,\"calm\na,b\n"));
    assertEquals(quote, noCsv("hive,note\na,b\nHeather,\"calm\"er\n"));
  }

  private String noCsv(String text) {
    return assertThrows(CheckFailed.class, () -> plain(text).csv())
        .getMessage()
        .replaceFirst("(?s).*hint {4}", "")
        .strip();
  }

  @Test
  void textsAndBytesShowTheirFirstDifference() {
    Reply reply = plain("the queen is marked blue");
    reply.must(
        text("the queen is marked blue"),
        text(textMatching(".*blue")),
        bytes("the queen is marked blue".getBytes(StandardCharsets.UTF_8)));
    String message = assertThrows(
            CheckFailed.class,
            () -> reply.must(
                text("the queen is marked white"),
                bytes("the queen was marked blue".getBytes(StandardCharsets.UTF_8)),
                bytes(new byte[0])))
        .getMessage();
    assertTrue(
        message.contains("they differ from character 21 on: wanted \"white\", got \"blue\""),
        message);
    assertTrue(message.contains("the first difference is in byte 11"), message);
    assertTrue(
        message.contains("24 bytes: ... 65 20 71 75 65 65 6e 20 69 73 20 6d 61 72 6b 65"), message);
    assertTrue(message.contains("it goes on after the 0 bytes wanted"), message);
  }

  @Test
  void headersAreReadAsATypeOrTellWhatThereIs() throws IOException {
    try (ScriptedServer scripted = new ScriptedServer()) {
      scripted.answering(
          "/v1/hives",
          "HTTP/1.1 201 Created",
          "X-Total-Count: 47",
          "Location: /v2/hives/7",
          "Link: ?page=2",
          "X-Bad: h t");
      Reply reply = Service.reachedAt(scripted.address() + "/v1").send(Call.get("/hives"));
      assertEquals(47, reply.headerAt("x-total-count", int.class));
      assertEquals("47", reply.headerAt("X-Total-Count", String.class));
      assertEquals(URI.create(scripted.address() + "/v2/hives/7"), reply.addressIn("Location"));
      assertEquals(URI.create(scripted.address() + "/v1/hives?page=2"), reply.addressIn("Link"));
      Service.reachedAt(scripted.address() + "/v1").send(Call.get(reply.addressIn("Location")));
      assertTrue(scripted.heads.get(1).startsWith("GET /v2/hives/7 "), scripted.heads.get(1));
      String message = assertThrows(CheckFailed.class, () -> reply.headerAt("X-Total", int.class))
          .getMessage();
      assertTrue(message.contains("no such header; there are X-Total-Count, Location"), message);
      assertThrows(CheckFailed.class, () -> reply.headerAt("Location", int.class));
      assertThrows(CheckFailed.class, () -> reply.addressIn("X-Bad"));
      assertThrows(IllegalArgumentException.class, () -> Call.get(URI.create("/hives")));
    }
  }

  @Test
  void pagesAreAskedAsOneList() throws IOException {
    try (EchoService echo = new EchoService()) {
      Pages pages = Service.reachedAt(echo.address())
          .pages(Call.get("/page").query("page", 1), NextPage.byLink());
      pages.itemsAt("$.items[*]").must(body(size(6)), body(distinct()), body(sorted()));
      String message = assertThrows(
              CheckFailed.class,
              () -> pages.itemsAt("$.items[*]").must(body(sorted().descending())))
          .getMessage();
      assertTrue(message.startsWith("$.items[*] of 3 pages of GET "), message);
    }
  }

  @Test
  void noReplyMayBeWanted() {
    service.noReplyWithin(Duration.ofMillis(150), Call.get("/slow/3000"));
    String message = assertThrows(
            CheckFailed.class,
            () -> service.noReplyWithin(Duration.ofSeconds(60), Call.get("/things/1")))
        .getMessage();
    assertTrue(message.contains("wanted  no reply within 60000 ms"), message);
    assertTrue(message.contains("got     200 OK"), message);
    assertThrows(
        NoReply.class,
        () -> Service.reachedAt("http://127.0.0.1:1")
            .noReplyWithin(Duration.ofSeconds(1), Call.get("/a")));
  }

  private Reply plain(String text) {
    return service.send(Call.post("/echo").text(text));
  }

  @Test
  void whatCannotBeAnAddressIsRefused() {
    assertEquals(
        List.of(
            "'/hives' is not the address of a service: it must begin with http:// or https://; write it like http://127.0.0.1:7411/api"),
        List.of(assertThrows(IllegalArgumentException.class, () -> Call.get(URI.create("/hives")))
            .getMessage()));
  }
}
