package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.StandIn;
import org.oddlantern.testing.TestIdentity;

/** Streams: read so far, and what their events are by the HTML Living Standard, section 9.2.6. */
@Timeout(30)
class EventsTest {

  private static final Duration LIMIT = Duration.ofSeconds(10);

  private final CountDownLatch gone = new CountDownLatch(1);
  private HttpServer server;
  private Service service;

  @BeforeEach
  void open() throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", this::stream);
    server.setExecutor(Executors.newCachedThreadPool());
    server.start();
    service = Service.reachedAt("http://127.0.0.1:" + server.getAddress().getPort());
  }

  @AfterEach
  void close() {
    server.stop(0);
  }

  /** For ever, one event every so many milliseconds; none at all for 0. */
  private void stream(HttpExchange exchange) throws IOException {
    String[] words = exchange.getRequestURI().getPath().split("/");
    exchange.getResponseHeaders().set("Content-Type", words[1].replace('-', '/').replace('_', '-'));
    exchange.sendResponseHeaders(200, 0);
    int pause = Integer.parseInt(words[2]);
    try (OutputStream out = exchange.getResponseBody()) {
      out.flush();
      for (int i = 1; ; i++) {
        String data = "{\"hive\":" + i + "}";
        String event =
            words[1].startsWith("text") ? "id: e" + i + "\ndata: " + data + "\n\n" : data + "\n";
        if (pause > 0) {
          out.write(event.getBytes(StandardCharsets.UTF_8));
          out.flush();
        }
        Thread.sleep(Math.max(pause, 5));
      }
    } catch (IOException e) {
      gone.countDown();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void aStreamIsReadUntilEnoughEventsHaveComeAndThenLeft() throws Exception {
    Reply reply = service.send(Call.get("/text-event_stream/5").readingEvents(3, LIMIT));
    reply.must(status(200), contentType("text/event-stream"));
    reply
        .events()
        .must(
            body(size(3)),
            at("$[0]", exactly(Map.of("event", "message", "id", "e1", "data", Map.of("hive", 1)))),
            at("$[*].data.hive", items(1, 2, 3)));
    assertTrue(reply.took().compareTo(LIMIT) < 0);
    assertTrue(gone.await(10, TimeUnit.SECONDS), "the connection is still open");
  }

  @Test
  void jsonLinesAreReadInTheSameWay() {
    service
        .send(Call.get("/application-x_ndjson/5").readingEvents(2, LIMIT))
        .events()
        .must(body(items(Map.of("hive", 1), Map.of("hive", 2))));
  }

  @Test
  void whatHasComeWhenTheTimeIsOverIsTheReply() {
    Duration brief = Duration.ofMillis(1_500);
    service
        .send(Call.get("/text-event_stream/0").readingEvents(1, brief))
        .must(status(200))
        .events()
        .must(body(empty()));
    Reply some = service.send(Call.get("/text-event_stream/500").readingEvents(1_000, brief));
    some.events().must(body(size(between(1, 4))));
    assertTrue(some.took().compareTo(Duration.ofMillis(1_490)) > 0, some.took().toString());
  }

  @Test
  void withoutALimitOfItsOwnAStreamRunsIntoTheTimeout() {
    NoReply late = assertThrows(
        NoReply.class,
        () -> service.send(Call.get("/text-event_stream/50").timeout(Duration.ofMillis(1_500))));
    assertTrue(late.getMessage().contains("readingEvents"), late.getMessage());
  }

  @Test
  void overTlsItIsTheSame(@TempDir Path folder) throws Exception {
    TestIdentity identity = new TestIdentity(folder, "yard");
    try (StandIn secured =
        StandIn.openSecured(identity.certificate().toString(), identity.key().toString())) {
      secured.answering(
          "GET /events",
          Answer.of(200)
              .header("Content-Type", "text/event-stream")
              .text("data: 1\n\ndata: 2\n\ndata: 3\n\n")
              .inPieces(9, Duration.ofMillis(600)));
      Service tls =
          Service.reachedAt(secured.url()).trusting(identity.certificate().toString());
      tls.send(Call.get("/events").readingEvents(2, LIMIT))
          .events()
          .must(at("$[*].data", items(1, 2)));
      tls.send(Call.get("/events").readingEvents(9, Duration.ofMillis(900)))
          .events()
          .must(body(size(between(1, 2))));
      tls.send(Call.get("/events")).events().must(body(size(3)));
    }
  }

  @Test
  void whatIsCompressedIsNeverTakenForSilence(@TempDir Path folder) throws Exception {
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (OutputStream out = new GZIPOutputStream(packed)) {
      out.write("data: 1\n\ndata: 2\n\n".getBytes(StandardCharsets.UTF_8));
    }
    Answer answer = Answer.of(200)
        .header("Content-Type", "text/event-stream")
        .header("Content-Encoding", "gzip")
        .bytes(packed.toByteArray());
    TestIdentity identity = new TestIdentity(folder, "yard");
    try (StandIn secured =
        StandIn.openSecured(identity.certificate().toString(), identity.key().toString())) {
      secured
          .answering("GET /whole", answer)
          .answering("GET /slow", answer.inPieces(20, Duration.ofSeconds(5)));
      Service tls =
          Service.reachedAt(secured.url()).trusting(identity.certificate().toString());
      tls.send(Call.get("/whole").readingEvents(2, LIMIT))
          .events()
          .must(at("$[*].data", items(1, 2)));
      Call slow = Call.get("/slow").readingEvents(1, Duration.ofMillis(1_000));
      assertThrows(NoReply.class, () -> tls.send(slow));
      secured
          .askedByAll("GET /{path}")
          .must(atEach("$[*].headers", not(keysIncluding("Accept-Encoding"))));
    }
  }

  @Test
  void aStreamMayBeTooLargeAsAnyBody() {
    NoReply large = assertThrows(
        NoReply.class,
        () -> service.bodyLimit(10).send(Call.get("/text-event_stream/5").readingEvents(1, LIMIT)));
    assertTrue(
        large.getMessage().contains("larger than the limit of 10 bytes"), large.getMessage());
  }

  /** In the texts \u00b6 is a line feed, \u00ab a carriage return, \u00a4 a byte order mark. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "data: YHOO\u00b6data: +2\u00b6data: 10\u00b6\u00b6 | [{'event':'message','data':'YHOO\\n+2\\n10'}]",
        ": test stream\u00b6\u00b6data: first event\u00b6id: 1\u00b6\u00b6data:second event\u00b6id\u00b6\u00b6data:  third\u00b6\u00b6 | [{'event':'message','id':'1','data':'first event'},{'event':'message','id':'','data':'second event'},{'event':'message','data':' third'}]",
        "data\u00b6\u00b6data\u00b6data\u00b6\u00b6data: | [{'event':'message','data':''},{'event':'message','data':'\\n'}]",
        "data:test\u00b6\u00b6data: test\u00b6\u00b6 | [{'event':'message','data':'test'},{'event':'message','data':'test'}]",
        "event: add\u00b6data: 73857293\u00ab\u00b6\u00ab\u00b6 | [{'event':'add','data':73857293}]",
        "\u00a4data: a\u00ab\u00abdata: b\u00ab\u00ab | [{'event':'message','data':'a'},{'event':'message','data':'b'}]",
        "event: add\u00b6\u00b6retry: 10\u00b6unknown: x\u00b6\u00b6 | []",
        "data: {'a':1,\u00b6data: 'b':2}\u00b6\u00b6 | [{'event':'message','data':{'a':1,'b':2}}]"
      })
  void eventsAreThoseOfTheStandard(String stream, String events) {
    String text = stream
        .replace('\u00b6', '\n')
        .replace('\u00ab', '\r')
        .replace('\u00a4', '\ufeff')
        .replace('\'', '"');
    try (StandIn standIn = StandIn.open()) {
      standIn.answering(
          "GET /",
          Answer.of(200).header("Content-Type", "text/event-stream;x=y").text(text));
      Reply reply = Service.reachedAt(standIn.url()).send(Call.get("/"));
      assertEquals(events.replace('\'', '"'), reply.events().text());
    }
  }

  @Test
  void eachLineOfOthersIsADocument() {
    try (StandIn standIn = StandIn.open()) {
      standIn
          .answering("GET /lines", Answer.of(200).text("{\"a\":1}\r\n\n[2]\n\"three\""))
          .answering(
              "GET /sequence",
              Answer.of(200)
                  .header("Content-Type", "application/json-seq")
                  .text("\u001e{\"a\":1}\n\u001e2\n"))
          .answering("GET /broken", Answer.of(200).text("1\n{2\n"));
      Service lines = Service.reachedAt(standIn.url());
      assertEquals(
          "[{\"a\":1},[2],\"three\"]", lines.send(Call.get("/lines")).events().text());
      assertEquals("[{\"a\":1},2]", lines.send(Call.get("/sequence")).events().text());
      CheckFailed broken =
          assertThrows(CheckFailed.class, () -> lines.send(Call.get("/broken")).events());
      assertTrue(
          broken.getMessage().contains("events, or a JSON document in each line"),
          broken.getMessage());
    }
  }

  @Test
  void howFarIsReadIsMoreThanNothing() {
    assertThrows(IllegalArgumentException.class, () -> Call.get("/").readingEvents(0, LIMIT));
    assertThrows(
        IllegalArgumentException.class, () -> Call.get("/").readingEvents(1, Duration.ZERO));
  }
}
