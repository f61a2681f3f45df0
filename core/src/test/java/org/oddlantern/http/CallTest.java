package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.check.Judged;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Cookie;
import org.oddlantern.json.Secret;
import org.oddlantern.testing.EchoService;
import org.oddlantern.testing.TestService;
import org.w3c.dom.Document;
import tools.jackson.databind.PropertyNamingStrategies;
import tools.jackson.databind.json.JsonMapper;

/** Every kind of call as it arrives, over real HTTP. */
class CallTest {

  record Hive(String label, int queenYear) {}

  private EchoService server;
  private Service service;

  @BeforeEach
  void start() throws IOException {
    server = new EchoService();
    service = Service.reachedAt(server.address());
  }

  @AfterEach
  void stop() {
    server.close();
  }

  @Test
  void anyMethodGoesOutWithOrWithoutABody() {
    service.send(Call.get("/a"));
    service.send(Call.options("/a"));
    service.send(Call.method("PURGE", "/a"));
    service.send(Call.get("/a").json("[1]"));
    service.send(Call.delete("/a").text("grün"));
    assertEquals(0, service.send(Call.head("/a")).bytes().length);
    assertEquals(
        List.of("GET ", "OPTIONS ", "PURGE ", "GET [1]", "DELETE gr\u00c3\u00bcn", "HEAD "),
        server.received.stream().map(one -> one.method() + " " + one.body()).toList());
  }

  @Test
  void listsBecomeRepeatedParametersAndFields() {
    service.send(Call.post("/a")
        .query("tag", List.of("x y", "&"))
        .form("a", new int[0].length)
        .form("tag", List.of("ä", "b"))
        .form("key", Secret.of("s+3")));
    assertEquals("/a?tag=x%20y&tag=%26", server.last().target());
    assertEquals("a=0&tag=%C3%A4&tag=b&key=s%2B3", server.last().body());
    assertEquals("application/x-www-form-urlencoded", server.last().header("Content-type"));
    assertEquals(
        "the value of 'q' is null; leave it out, or send an empty text",
        assertThrows(IllegalArgumentException.class, () -> Call.get("/a").query("q", null))
            .getMessage());
  }

  @Test
  void multipartIsAsTheStandardWritesIt(@TempDir Path folder) throws IOException {
    Path photo = Files.write(folder.resolve("queen \"1\".png"), new byte[] {1, 2, 3});
    service.send(Call.post("/a")
        .part("note", Part.text("seen"))
        .part("hive", Part.json(new Hive("Foxglove", 2026)))
        .part("photo", Part.file(photo)));
    String type = server.last().header("Content-type");
    String boundary = type.substring("multipart/form-data; boundary=".length());
    assertEquals(
        """
        --B
        Content-Disposition: form-data; name="note"

        seen
        --B
        Content-Disposition: form-data; name="hive"
        Content-Type: application/json

        {"label":"Foxglove","queenYear":2026}
        --B
        Content-Disposition: form-data; name="photo"; filename="queen %221%22.png"
        Content-Type: image/png

        \1\2\3
        --B--
        """.replace("\n", "\r\n").replace("B", boundary).replace("form-" + boundary, "form-B"),
        server.last().body());
    assertEquals(
        server.last().header("Content-length"),
        String.valueOf(server.last().body().length()));
  }

  @Test
  void xmlTextBytesAndFilesBringTheirTypes(@TempDir Path folder) throws Exception {
    Document document =
        DocumentBuilderFactory.newInstance().newDocumentBuilder().newDocument();
    document.appendChild(document.createElement("hive")).setTextContent("a & b");
    service.send(Call.put("/a").xml(document));
    assertTrue(
        server.last().body().endsWith("<hive>a &amp; b</hive>"), server.last().body());
    assertEquals("application/xml", server.last().header("Content-type"));
    service.send(Call.put("/a").xml("<hive/>").header("Content-Type", "text/xml"));
    assertEquals("text/xml", server.last().header("Content-type"));
    service.send(Call.put("/a").bytes(new byte[] {7}, "image/png"));
    assertEquals("image/png", server.last().header("Content-type"));
    service.send(Call.put("/a").file(Files.writeString(folder.resolve("hives.csv"), "id\n1\n")));
    assertEquals(
        "text/csv id\n1\n",
        server.last().header("Content-type") + " " + server.last().body());
    service.send(Call.put("/a").file("odd-lantern.yaml").withoutHeader("Content-Type"));
    assertEquals("", server.last().header("Content-type"));
    assertTrue(server.last().body().startsWith("environment: "), server.last().body());
  }

  @Test
  void serviceHeadersCanBeReplacedAndRemoved() {
    Service own = service
        .header("Accept", "text/plain")
        .header("Content-Type", "text/odd")
        .header("X-Key", Secret.of("k-1"));
    own.send(Call.post("/a").json(Map.of()).withoutHeader("accept").withoutHeader("User-Agent"));
    assertEquals("application/json", server.last().header("Content-type"));
    assertEquals("", server.last().header("Accept") + server.last().header("User-agent"));
    assertEquals("k-1", server.last().header("X-key"));
    own.withoutHeader("X-Key").send(Call.get("/a").header("Host", "elsewhere.example.org"));
    assertEquals("", server.last().header("X-key"));
    assertEquals("elsewhere.example.org", server.last().header("Host"));
  }

  @Test
  void credentialsGoWhereTheyBelongAndCanBeDropped() {
    service.credentials(Credentials.basic("wren", Secret.of("pä:ss"))).send(Call.get("/a"));
    assertEquals("Basic d3Jlbjpww6Q6c3M=", server.last().header("Authorization"));
    Service keyed = service.credentials(Credentials.keyInQuery("key", Secret.of("a&b")));
    keyed.send(Call.get("/a").query("q", 1));
    assertEquals("/a?q=1&key=a%26b", server.last().target());
    keyed.send(Call.get("/a").credentials(Credentials.keyInHeader("X-Key", Secret.of("k"))));
    assertEquals("/a k", server.last().target() + " " + server.last().header("X-key"));
    keyed.send(Call.get("/a").anonymously());
    keyed.anonymously().send(Call.get("/a"));
    assertEquals(
        2,
        server.received.stream()
            .filter(one -> one.target().equals("/a")
                && one.header("X-key").isEmpty()
                && one.header("Authorization").isEmpty())
            .count());
    assertThrows(IllegalArgumentException.class, () -> Credentials.basic("a:b", Secret.of("c")));
  }

  @Test
  void aTokenIsFetchedOnceAndAgainWhenRefused() {
    Service guarded = service.credentials(Credentials.fetchedBy(
        Call.post("/token").json(Map.of("keeper", "wren")), "$.access_token"));
    guarded.send(Call.get("/guarded")).must(status(200));
    guarded.send(Call.get("/guarded")).must(status(200));
    server.expireTokens();
    guarded.send(Call.get("/guarded")).must(status(200));
    assertEquals(
        List.of("/token", "/guarded", "/guarded", "/guarded", "/token", "/guarded"),
        server.received.stream().map(EchoService.Request::target).toList());
    int before = server.received.size();
    assertEquals(
        401,
        guarded
            .send(Call.get("/guarded").header("Authorization", "Bearer mine"))
            .status());
    assertEquals(before + 1, server.received.size());
    Service broken = service.credentials(Credentials.fetchedBy(Call.post("/other"), "$.token"));
    assertTrue(assertThrows(NotSent.class, () -> broken.send(Call.get("/guarded")))
        .getMessage()
        .contains("could not be fetched: POST " + server.address() + "/other, answered 200 OK"));
  }

  @Test
  void clientCredentialsAreSentAsOAuthWantsThem() {
    service
        .credentials(Credentials.clientCredentials(
            server.address() + "/token", "lantern:1", Secret.of("a b"), "hives", "notes"))
        .send(Call.get("/guarded"))
        .must(status(200));
    EchoService.Request token = server.received.get(0);
    assertEquals("grant_type=client_credentials&scope=hives+notes", token.body());
    assertEquals("Basic bGFudGVybiUzQTE6YSti", token.header("Authorization"));
  }

  @Test
  void theHookSeesTheFinishedRequest() {
    service
        .bearer(Secret.of("t-1"))
        .beforeSending(request -> request.with(
            "X-Signature",
            request.method()
                + request.uri().getPath()
                + request.body().length()
                + request.headers().first("Authorization").orElse("")))
        .send(Call.post("/a").text("four"));
    assertEquals("POST/a4Bearer t-1", server.last().header("X-signature"));
  }

  @Test
  void cookiesAreKeptSentWhereTheyBelongAndChecked() {
    service
        .send(Call.get("/cookie"))
        .must(
            cookie("session", "s-4711-abcdefghijkl"), cookie("theme"), cookie("nobody", missing()));
    service.send(Call.get("/a").cookie("own", 1));
    assertEquals("session=s-4711-abcdefghijkl; own=1", server.last().header("Cookie"));
    service.send(Call.get("/a").cookie("session", "mine"));
    assertEquals("session=mine", server.last().header("Cookie"));
    service.send(Call.get("/a").anonymously());
    assertEquals("", server.last().header("Cookie"));
    Cookie session = service.send(Call.get("/cookie")).cookie("session").orElseThrow();
    assertTrue(session.attributes().containsKey("httponly"));
    String message = assertThrows(
            CheckFailed.class, () -> service.send(Call.get("/cookie")).must(cookie("sesion", "x")))
        .getMessage();
    assertTrue(message.contains("got     only session, theme"), message);
    assertTrue(message.contains("did you mean 'session'?"), message);
  }

  @Test
  void redirectsAreShownOrFollowed() throws IOException {
    assertEquals(302, service.send(Call.get("/redirect/302?to=/a")).status());
    Service following = service.followingRedirects(3);
    following.send(Call.post("/redirect/302?to=/a").json("{}"));
    assertEquals("GET ", server.last().method() + " " + server.last().body());
    following.send(Call.post("/redirect/307?to=/a").json("{}"));
    assertEquals("POST {}", server.last().method() + " " + server.last().body());
    following.send(Call.put("/redirect/303?to=/a").json("{}"));
    assertEquals("GET ", server.last().method() + " " + server.last().body());
    assertTrue(assertThrows(
            NoReply.class,
            () -> following.send(
                Call.get(
                    "/redirect/301?to="
                        + "/redirect/301%3Fto=/redirect/301%253Fto=/redirect/301%25253Fto=/redirect/301%2525253Fto=/x")))
        .getMessage()
        .contains("was redirected more than 3 times"));
  }

  @Test
  void noCredentialsGoAlongToAnotherHost() throws IOException {
    try (EchoService other = new EchoService()) {
      service
          .followingRedirects(1)
          .bearer(Secret.of("t-1"))
          .header("X-Key", Secret.of("k-1"))
          .header("X-Plain", "p")
          .send(Call.get("/redirect/302?to=" + other.address() + "/a").cookie("c", "1"));
      assertEquals("p", other.last().header("X-plain"));
      assertEquals(
          "",
          other.last().header("Authorization")
              + other.last().header("X-key")
              + other.last().header("Cookie"));
    }
  }

  @Test
  void pagesAreWalkedByLinkValueAddressOrNumber() {
    List<Integer> all = List.of(11, 12, 21, 22, 31, 32);
    Call first = Call.get("/page").query("page", 1);
    for (NextPage next : List.of(
        NextPage.byLink(),
        NextPage.byValue("$.next", "page"),
        NextPage.byAddress("$.more"),
        NextPage.byNumber("page", "$.items"))) {
      assertEquals(all, service.pages(first, next).valuesAt("$.items[*]", Integer.class));
    }
    assertTrue(
        assertThrows(IllegalStateException.class, () -> service.pages(first, NextPage.byLink(), 2))
            .getMessage()
            .startsWith("GET /page goes on after 2 pages, the limit"));
  }

  @Test
  void graphQlErrorsFailUnlessTheCaseLooksAtThem() {
    Call call = Call.post("/graphql")
        .graphQl(GraphQl.text("query A { a } query B { b }").operation("B").variable("id", 7));
    Reply reply = service.send(call);
    assertEquals(
        "{\"query\":\"query A { a } query B { b }\",\"operationName\":\"B\",\"variables\":{\"id\":7}}",
        server.last().body());
    reply.must(status(200), at("$.errors[0].message", "no such hive"));
  }

  @Test
  void standingChecksAreMadeUnlessTheCaseMakesItsOwn() {
    Service strict = service.always(status(204), header("X-Nothing"));
    String message = assertThrows(
            CheckFailed.class, () -> strict.send(Call.get("/a")).must(at("$.ok", true)))
        .getMessage();
    assertTrue(
        message.contains("status(204)") && message.contains("header(\"X-Nothing\")"), message);
    assertFalse(
        assertThrows(CheckFailed.class, () -> strict.send(Call.get("/a")).must(status(200)))
            .getMessage()
            .contains("status(204)"));
  }

  @Test
  void aMapperOfOnesOwnWritesAndReads() {
    Service snake = service.mapper(JsonMapper.builder()
        .propertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
        .build());
    snake.send(Call.post("/a").json(new Hive("Foxglove", 2026)));
    assertEquals("{\"label\":\"Foxglove\",\"queen_year\":2026}", server.last().body());
  }

  @Test
  void whatIsWantedIsWrittenAsTheServiceWritesIt() throws IOException {
    try (TestService echoing = new TestService()) {
      Service plain = Service.reachedAt(echoing.address());
      Service snake = plain.mapper(JsonMapper.builder()
          .propertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
          .build());
      Hive hive = new Hive("Foxglove", 2026);
      Call echo = Call.post("/echo").json(Map.of("hive", hive, "hives", List.of(hive, hive)));
      Reply reply = snake.send(echo);
      Judged<Hive> queens = judgedBy(
          "a queen of this year",
          Hive.class,
          read -> read.queenYear() == 2026 ? List.of() : List.of(read + ""));
      reply.must(
          at("$.hive.queen_year", 2026),
          at("$.hive", hive),
          at("$.hive", including(hive)),
          at("$.hive", not(new Hive("Foxglove", 2025))),
          at("$.hives", items(hive, hive)),
          at("$.hives", items(hive, hive).inAnyOrder()),
          at("$.hives", itemsIncluding(hive)),
          at("$.hives", eachItem(hive)),
          atEach("$.hives[*]", hive),
          body(fields().with("hive", hive)),
          body(including(Map.of("hive", hive, "hives", List.of(anyValue(), hive)))),
          at("$.hive", exactly(null).or(hive)),
          at("$.hive", queens),
          atEach("$.hives[*]", queens),
          at("$.hives", eachItem(queens)));
      snake.send(Call.post("/echo").json(hive)).must(queens);
      assertThrows(CheckFailed.class, () -> reply.must(at("$.hive", not(hive))));
      assertThrows(CheckFailed.class, () -> reply.must(at("$.hive", new Hive("Foxglove", 2025))));
      assertThrows(CheckFailed.class, () -> plain.send(echo).must(at("$.hive.queen_year", 2026)));
      record Holds(Object queenYear) {}
      String refused = assertThrows(
              CheckFailed.class, () -> reply.must(at("$.hive", not(new Holds(wholeNumber())))))
          .getMessage();
      assertTrue(refused.contains("put the shape into a map or a list"), refused);
      plain.send(echo).must(at("$.hive", hive));
    }
  }
}
