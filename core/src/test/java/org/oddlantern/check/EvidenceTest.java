package org.oddlantern.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Finding;
import org.oddlantern.schema.Schema;
import org.oddlantern.testing.TestService;

/** Reading from replies, and checking several of them, over a socket. */
class EvidenceTest {

  record Inspection(int id, String mood) {
    List<String> problems() {
      return mood.equals("calm") ? List.of() : List.of("a " + mood + " hive", "look again");
    }
  }

  private final TestService server;
  private final Service service;

  EvidenceTest() throws IOException {
    server = new TestService();
    service = Service.reachedAt(server.address());
  }

  @BeforeEach
  void forget() {
    server.received.clear();
  }

  @AfterEach
  void close() {
    server.close();
  }

  @Test
  void whatWasSentIsEvidenceToo() {
    Reply reply = service.send(Call.post("/things")
        .json(Map.of("label", "Foxglove", "frames", 9))
        .header("X-Plot", "orchard"));
    reply
        .sent()
        .must(
            body(Map.of("label", "Foxglove", "frames", 9)),
            header("X-Plot", "orchard"),
            contentType("application/json"),
            body(Schema.text("{\"required\":[\"label\"]}")));
    assertEquals(9, reply.sent().valueAt("$.frames", int.class));
    CheckFailed failure = assertThrows(
        CheckFailed.class,
        () -> reply.sent().must(body(Schema.text("{\"required\":[\"labell\"]}"))));
    String message = String.valueOf(failure.getMessage());
    assertTrue(
        message.startsWith("the request POST " + server.address() + "/things as it was sent"),
        message);
    assertTrue(message.contains("is 'label' meant to be it?"), message);
    CheckFailed empty = assertThrows(
        CheckFailed.class, () -> service.send(Call.get("/")).sent().must(at("$.label", anyText())));
    assertTrue(String.valueOf(empty.getMessage()).contains("no body"), empty.getMessage());
  }

  @Test
  void aValueThatDoesNotFitIsToldByItsInnermostPlace() {
    Reply reply = json(
        "{\"items\":[{\"id\":1,\"mood\":\"calm\"},{\"id\":\"x\",\"mood\":\"calm\"}],\"n\":null}");
    assertEquals(
        List.of(
            "$.items[1].id", "a value that can be read as int, inside Inspection", "\"x\" (text)"),
        parts(() -> reply.valuesAt("$.items[*]", Inspection.class)));
    assertEquals(
        List.of("$.n", "a value that can be read as String", "null"),
        parts(() -> reply.valueAt("$.n", String.class)));
    assertEquals(
        List.of("$", "a list of items that can be read as String", "an object with items, n"),
        parts(() -> reply.bodyAsListOf(String.class)));
    assertEquals(
        List.of(
            "$.items[7].id",
            "a value that can be read as int",
            "nothing: the path ends at $.items, which is a list of 2"),
        parts(() -> reply.valueAt("$.items[7].id", int.class)));
    assertEquals(
        List.of(
            "$.mood",
            "a value that can be read as String",
            "nothing: the path ends at $, which is an object with items, n"),
        parts(() -> reply.valueAt("$.mood", String.class)));
    assertEquals(
        List.of("there is 'mood' at $.items[0].mood"),
        failure(() -> reply.valueAt("$.mood", String.class))
            .verdicts()
            .get(0)
            .findings()
            .get(0)
            .hints());
    assertEquals(2, json("[1,2]").bodyAsListOf(Integer.class).size());
  }

  @Test
  void checksOfOnesOwnServeBodiesAndItemsAlike() {
    Reply reply =
        json("[{\"id\":1,\"mood\":\"calm\"},{\"id\":2,\"mood\":\"wild\"},{\"id\":3,\"mood\":4}]");
    reply.must(holds("there are three", evidence -> evidence.json().size() == 3));
    assertEquals(
        """
          atEach("$", season rules)
            at      $[1] of id 2
            wanted  season rules
            got     a wild hive
            at      $[1] of id 2
            wanted  season rules
            got     look again
            at      $[2].mood of id 3
            wanted  a value that can be read as String, inside Inspection
            got     4 (number)
            hint    a number is not taken for String""",
        told(failure(() -> reply.must(
            atEach("$", judgedBy("season rules", Inspection.class, Inspection::problems))))));
    assertEquals("""
          atEach("$", at("$.mood", "calm"))
            at      $[1].mood of id 2
            wanted  "calm"
            got     "wild"
            at      $[2].mood of id 3
            wanted  "calm" (text)
            got     4 (number)""", told(failure(() -> reply.must(atEach("$", at("$.mood", "calm"))))));
    assertTrue(told(failure(() -> reply.must(holds("it is evening", false))))
        .contains("wanted  it is evening\n"));
  }

  @Test
  void gatheredFailuresAreToldTogetherAndReadingsStillEndThePiece() {
    AtomicInteger steps = new AtomicInteger();
    CheckFailed all = failure(() -> gatherFailures(() -> {
      service.send(Call.get("/a")).must(at("$.path", "/x"));
      steps.incrementAndGet();
      service.send(Call.get("/b")).must(at("$.path", "/y"));
      steps.incrementAndGet();
      service.send(Call.get("/c")).valueAt("$.none", String.class);
      steps.incrementAndGet();
    }));
    assertEquals(2, steps.get());
    assertEquals(3, all.verdicts().size());
    assertTrue(String.valueOf(all.getMessage()).contains("/a, answered 200"), all.getMessage());
    assertTrue(String.valueOf(all.getMessage()).contains("/c, answered 200"), all.getMessage());
    gatherFailures(() -> service.send(Call.get("/a")).must(status(200)));
    CheckFailed afterWaiting = failure(() -> gatherFailures(() -> {
      eventually(Duration.ofMillis(400), () -> service.send(Call.get("/a")).must(status(404)));
      service.send(Call.get("/b")).must(status(404));
    }));
    assertEquals(2, afterWaiting.verdicts().size());
    CheckFailed nested = failure(() -> gatherFailures(() -> {
      gatherFailures(() -> service.send(Call.get("/a")).must(status(404)));
      service.send(Call.get("/b")).must(status(404));
    }));
    assertEquals(2, nested.verdicts().size());
    IllegalStateException other = assertThrows(
        IllegalStateException.class,
        () -> gatherFailures(() -> {
          service.send(Call.get("/a")).must(status(500));
          throw new IllegalStateException("oops");
        }));
    assertEquals(1, other.getSuppressed().length);
  }

  @Test
  void aPathSaysFromHowManyPlacesItLedOnToNothing() {
    Reply reply = json("{\"items\":[{\"tags\":[\"a\"]},{\"tags\":[\"a\"]},{\"id\":3}]}");
    CheckFailed failure = failure(() -> reply.must(
        at("$.items[*].tags", eachItem(items("a"))), at("$.items[*].tags[0]", items("a", "b"))));
    assertEquals(
        "at(\"$.items[*].tags[0]\", the items [\"a\",\"b\"]) (1 of 3 places have nothing at .tags[0])",
        failure.verdicts().get(0).check());
    assertEquals(
        List.of("1 of 3 places have nothing at .tags[0]"),
        failure.verdicts().get(0).findings().get(0).hints());
    assertEquals(1, failure.verdicts().size());
    Check all = at("$.items[*].tags", size(2));
    assertEquals(all.words(), all.words(json("{\"items\":[{\"tags\":[]},{\"tags\":[]}]}")));
    assertEquals(
        "atEach(\"$.items[*].id\", 3) (2 of 3 places have nothing at .id)",
        atEach("$.items[*].id", 3).words(reply));
  }

  @Test
  void aJudgeThatThrowsIsToldWithItemAndLine() {
    Reply reply = json("[{\"id\":1,\"mood\":\"calm\"},{\"id\":2,\"mood\":\"wild\"}]");
    Finding finding = failure(() ->
            reply.must(atEach("$", judgedBy("own rules", Inspection.class, EvidenceTest::picky))))
        .verdicts()
        .get(0)
        .findings()
        .get(0);
    assertEquals("$[1]", finding.where());
    assertEquals("id 2", finding.item());
    assertTrue(
        finding
            .got()
            .matches(
                "no answer: it threw java.lang.IllegalStateException: wild \\(EvidenceTest.java:\\d+\\)"),
        finding.got());
    record Mute() implements Check {
      @Override
      public String words() {
        return "mute";
      }

      @Override
      @SuppressWarnings("NullAway")
      public List<Finding> examine(Evidence evidence) {
        return null;
      }
    }
    assertEquals(
        "it returned null; no findings are List.of()",
        failure(() -> reply.must(new Mute()))
            .verdicts()
            .get(0)
            .findings()
            .get(0)
            .got());
  }

  private static List<String> picky(Inspection inspection) {
    if (inspection.mood().equals("wild")) {
      throw new IllegalStateException("wild");
    }
    return List.of();
  }

  @Test
  void laterEffectsAreAwaitedAndTheLastFailureIsTold() {
    AtomicInteger tries = new AtomicInteger();
    eventually(
        Duration.ofSeconds(60),
        () -> service
            .send(Call.get("/status/{code}", tries.incrementAndGet() < 4 ? 503 : 200))
            .must(status(200)));
    assertEquals(4, tries.get());
    assertEquals(
        "there",
        waitFor(
                Duration.ofSeconds(60),
                () -> tries.incrementAndGet() < 7 ? Optional.<String>empty() : Optional.of("there"))
            .orElse(""));
    long start = System.nanoTime();
    CheckFailed last = failure(() -> gatherFailures(() -> eventually(
        Duration.ofMillis(600), () -> service.send(Call.get("/a")).must(at("$.path", "/b")))));
    // a slow try takes up to half of the limit from those after it
    assertTrue(System.nanoTime() - start >= 300_000_000);
    assertTrue(server.received.size() > 5, "tried " + server.received);
    assertEquals(1, last.verdicts().size());
    assertThrows(IllegalArgumentException.class, () -> eventually(Duration.ZERO, () -> {}));
    assertThrows(
        IOException.class,
        () -> eventually(Duration.ofSeconds(5), () -> {
          throw new IOException("not a failure");
        }));
  }

  @Test
  void xmlIsAskedByPathAndAsAWhole() {
    Reply reply = service.send(
        Call.post("/echo").xml("<hives><hive id='4'><kind>stack</kind></hive></hives>"));
    reply.must(
        xpath("/hives/hive/kind", "stack"),
        xpath("/hives/hive/@id", wholeNumber()),
        xpath("/hives/hive/@id", eachItem(atLeast(4))),
        xpath("/x:hives", Map.of("x", "urn:x"), missing()),
        sameXml("<hives>\n <hive id=\"4\"><kind>stack</kind></hive>\n</hives>"));
    assertEquals(
        """
          xpath("/hives/hive/knid", "stack")
            at      /hives/hive/knid
            wanted  "stack"
            got     nothing: the path ends at /hives/hive, which has kind, @id; did you mean 'kind'?
          at("$.id", 1)
            at      body
            wanted  a JSON body
            got     200 OK, application/xml, a body that begins: <hives><hive id='4'><kind>stack</kind></hive></hives>
            hint    this looks like HTML or XML, not like JSON""", told(failure(() -> reply.must(xpath("/hives/hive/knid", "stack"), at("$.id", 1)))));
    assertTrue(told(failure(() -> json("{}").must(xpath("/a", 1))))
        .contains("wanted  an XML body\n  got     200 OK, application/json"));
  }

  private Reply json(String body) {
    return service.send(Call.post("/echo").json(body));
  }

  private static CheckFailed failure(Executable executable) {
    return assertThrows(CheckFailed.class, executable);
  }

  private static List<String> parts(Executable executable) {
    Finding finding = failure(executable).verdicts().get(0).findings().get(0);
    return List.of(finding.where(), finding.wanted(), finding.got());
  }

  /** The message below its first line. */
  private static String told(CheckFailed failure) {
    String message = String.valueOf(failure.getMessage());
    return message.substring(message.indexOf('\n') + 1).stripIndent();
  }
}
