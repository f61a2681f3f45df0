package org.oddlantern.standin;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.testing.TestIdentity;

/** What a stand-in sends, seen from the other side of a plain socket, and what it refuses to be told. */
@Timeout(30)
class AnswerOnTheWireTest {

  @AutoClose
  private final StandIn standIn = StandIn.open().named("weather");

  @Test
  void aWholeAnswerIsWhatWasSaid() throws IOException {
    standIn.answering(
        "GET /a", Answer.of(418).header("X-Pot", "tea").json(Map.of("short", "and \u00fc")));
    List<String> lines = new ArrayList<>(said("GET /a HTTP/1.1").lines().toList());
    assertEquals("HTTP/1.1 418", lines.get(0).strip().replaceAll(" I'm.*", ""));
    assertTrue(lines.contains("X-Pot: tea"), lines.toString());
    assertTrue(lines.stream().noneMatch(line -> line.startsWith("Server")), lines.toString());
    assertTrue(lines.contains("Content-Type: application/json"), lines.toString());
    assertTrue(lines.contains("Content-Length: 18"), lines.toString());
    assertEquals("{\"short\":\"and \u00fc\"}", lines.get(lines.size() - 1));
  }

  @Test
  void anAnswerWithoutABodySaysSo() throws IOException {
    standIn.answering("GET /a", Answer.of(200)).answering("GET /b", Answer.of(204));
    assertTrue(said("GET /a HTTP/1.1").contains("Content-Length: 0\r\n"));
    String none = said("GET /b HTTP/1.1");
    assertTrue(none.startsWith("HTTP/1.1 204 No Content") && none.endsWith("\r\n\r\n"), none);
  }

  @Test
  void headHasTheHeadersAndNoBody() throws IOException {
    standIn.answering("HEAD /a", Answer.of(200).text("four"));
    String head = said("HEAD /a HTTP/1.1");
    assertTrue(head.contains("Content-Length: 4\r\n") && head.endsWith("\r\n\r\n"), head);
  }

  @Test
  void oneConnectionServesManyRequests() throws IOException {
    standIn.answering("GET /{n}", asked -> Answer.of(200).text(asked.argument("n")));
    try (Socket socket = connected()) {
      for (String one : List.of("1", "2", "3")) {
        send(socket, "GET /" + one + " HTTP/1.1\r\nHost: here\r\n\r\n");
        StringBuilder got = new StringBuilder();
        while (!got.toString().endsWith("\r\n\r\n" + one)) {
          got.append((char) socket.getInputStream().read());
        }
      }
    }
  }

  @Test
  void aLateAnswerComesLate() throws IOException {
    standIn.answering("GET /a", Answer.of(200).text("x").after(Duration.ofMillis(300)));
    try (Socket socket = connected()) {
      send(socket, "GET /a HTTP/1.1\r\nHost: here\r\n\r\n");
      socket.setSoTimeout(150);
      assertThrows(SocketTimeoutException.class, () -> socket.getInputStream().read());
      socket.setSoTimeout(10_000);
      assertEquals('H', socket.getInputStream().read());
    }
  }

  @Test
  void piecesComeOneByOne() throws IOException {
    standIn.answering("GET /a", Answer.of(200).text("abcdef").inPieces(2, Duration.ofMillis(700)));
    try (Socket socket = connected()) {
      send(socket, "GET /a HTTP/1.1\r\nHost: here\r\nConnection: close\r\n\r\n");
      StringBuilder got = new StringBuilder();
      while (!got.toString().endsWith("\r\n\r\nab")) {
        got.append((char) socket.getInputStream().read());
      }
      socket.setSoTimeout(40);
      assertThrows(SocketTimeoutException.class, () -> socket.getInputStream().read());
      socket.setSoTimeout(10_000);
      assertEquals("cdef", rest(socket));
    }
  }

  @Test
  void whatIsCutOffAnnouncesAllOfItself() throws IOException {
    standIn.answering("GET /a", Answer.of(200).text("abcdef").cutOff(2));
    String cut = said("GET /a HTTP/1.1");
    assertTrue(cut.contains("Content-Length: 6\r\n") && cut.endsWith("\r\n\r\nab"), cut);
  }

  @Test
  void silenceLastsUntilTheOtherSideGoes() throws Exception {
    standIn.answering("GET /a", Answer.silent());
    try (Socket socket = connected()) {
      send(socket, "GET /a HTTP/1.1\r\nHost: here\r\n\r\n");
      socket.setSoTimeout(200);
      assertThrows(SocketTimeoutException.class, () -> socket.getInputStream().read());
    }
    waitUntilNobodyServes();
  }

  @Test
  void resetIsAReset() throws IOException {
    standIn.answering("GET /a", Answer.reset());
    try (Socket socket = connected()) {
      send(socket, "GET /a HTTP/1.1\r\nHost: here\r\n\r\n");
      assertThrows(SocketException.class, () -> socket.getInputStream().read());
    }
  }

  @Test
  void whatIsMalformedIsNoHttp() throws IOException {
    standIn.answering("GET /a", Answer.malformed());
    assertTrue(!said("GET /a HTTP/1.1").matches("(?s)HTTP/1\\.1 [1-5][0-9][0-9] .*"));
  }

  @Test
  void answersInTurnStayWithTheLast() throws IOException {
    standIn.answering("GET /a", Answer.inTurn(Answer.of(503), Answer.of(200).text("dry")));
    assertTrue(said("GET /a HTTP/1.1").startsWith("HTTP/1.1 503"));
    assertTrue(said("GET /a HTTP/1.1").startsWith("HTTP/1.1 200"));
    assertTrue(said("GET /a HTTP/1.1").startsWith("HTTP/1.1 200"));
  }

  @Test
  void filesXmlAndBytesComeWithTheirTypes() throws IOException {
    standIn
        .answering("GET /x", Answer.of(200).xml("<a/>"))
        .answering("GET /b", Answer.of(200).bytes(new byte[] {1, 0, 2}))
        .answering("GET /t", Answer.of(200).header("Content-Type", "text/x-own").text("t"))
        .answering("GET /f", Answer.of(200).file("samples/refusals.json"));
    assertTrue(said("GET /x HTTP/1.1").contains("Content-Type: application/xml\r\n"));
    assertTrue(said("GET /b HTTP/1.1").endsWith("\u0001\u0000\u0002"));
    assertTrue(said("GET /t HTTP/1.1").contains("Content-Type: text/x-own\r\n"));
    assertTrue(said("GET /f HTTP/1.1").contains("Content-Type: application/json\r\n"));
  }

  @Test
  void theMostConcretePatternAnswers() throws IOException {
    standIn
        .answering("* /{+rest}", asked -> Answer.of(200).text("rest " + asked.argument("rest")))
        .answering("GET /hives/{id}", asked -> Answer.of(200).text("id " + asked.argument("id")))
        .answering("GET /hives/new", Answer.of(200).text("new"));
    assertTrue(said("GET /hives/new HTTP/1.1").endsWith("\r\nnew"));
    assertTrue(said("GET /hives/a%2Fb%20c HTTP/1.1").endsWith("\r\nid a/b c"));
    assertTrue(said("POST /hives/new HTTP/1.1").endsWith("\r\nrest hives/new"));
    assertTrue(said("GET /a/b/c HTTP/1.1").endsWith("\r\nrest a/b/c"));
  }

  @Test
  void whatWasAskedIsEvidence() throws IOException {
    standIn.answering("POST /forecast/{place}", Answer.of(200));
    said("POST /forecast/moor?days=2&days=3&unit=C HTTP/1.1\r\naccept: application/json\r\n"
        + "X-One: a\r\nx-one: b\r\nContent-Length: 9\r\nContent-Type: application/json"
        + "\r\n\r\n{\"a\":1.0}");
    standIn
        .asked("POST /forecast/{place}")
        .must(
            size(1),
            at("$[0].method", "POST"),
            at("$[0].path", "/forecast/moor"),
            at("$[0].arguments.place", "moor"),
            at("$[0].query", including(Map.of("days", List.of("2", "3"), "unit", "C"))),
            at("$[0].headers.Accept", "application/json"),
            at("$[0].headers['X-One']", "a, b"),
            at("$[0].body.a", 1));
    standIn.asked("GET /forecast/{place}").must(empty());
    assertEquals(
        "moor",
        standIn
            .askedByAll("* /{+all}")
            .valueAt("$[0].arguments.all", String.class)
            .replace("forecast/", ""));
    CheckFailed failed = assertThrows(
        CheckFailed.class, () -> standIn.asked("POST /forecast/{place}").must(empty()));
    assertTrue(
        failed.getMessage().startsWith("what weather was asked, POST /forecast/{place}"),
        failed.getMessage());
  }

  @Test
  void whatIsUnforeseenSaysWhatIsKnown() throws IOException {
    standIn.answering("GET /forecast/{place}", Answer.of(200));
    String answer = said("GET /weather HTTP/1.1");
    assertTrue(answer.startsWith("HTTP/1.1 501"), answer);
    assertTrue(
        answer.endsWith("weather does not answer GET /weather; it answers GET /forecast/{place}"),
        answer);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "GET ]x HTTP/1.1",
        "GET //[ HTTP/1.1",
        "OPTIONS * HTTP/1.1",
        "GET /%zz/%ff?a=%&&=b HTTP/1.1",
        "GET /\u00e4 HTTP/1.1",
        "GET http://elsewhere:1/path HTTP/1.1"
      })
  void whateverIsAskedIsAnswered(String request) throws IOException {
    standIn.answering("* /{+rest}", Answer.of(200).text("here"));
    assertTrue(said(request).endsWith("\r\nhere"));
    standIn.askedByAll("* /{+rest}").must(size(1), at("$[0].query", anyValue()));
  }

  @Test
  void aRequestThatIsTooLargeIsRefusedAndTheNextServed() throws IOException {
    standIn.bodyLimit(10).answering("POST /a", asked -> Answer.of(200).text(asked.text()));
    String large = said("POST /a HTTP/1.1\r\nContent-Length: 11\r\n\r\n12345678901");
    assertTrue(large.startsWith("HTTP/1.1 413"), large);
    String chunked = said("POST /a HTTP/1.1\r\nTransfer-Encoding: chunked\r\n\r\n"
        + "6\r\nabcdef\r\n6\r\nabcdef\r\n0\r\n");
    assertTrue(chunked.startsWith("HTTP/1.1 413"), chunked);
    assertTrue(said("POST /a HTTP/1.1\r\nContent-Length: 10\r\n\r\n1234567890")
        .endsWith("\r\n1234567890"));
  }

  @Test
  void anAnswerThatThrowsIsTold() throws IOException {
    standIn.answering("GET /a", asked -> Answer.of(200).text(asked.argument("place")));
    String answer = said("GET /a HTTP/1.1");
    assertTrue(answer.startsWith("HTTP/1.1 500"), answer);
    assertTrue(answer.contains("the pattern has no argument 'place'"), answer);
  }

  @Test
  void closingEndsWhateverIsUnderWay() throws Exception {
    standIn
        .answering("GET /silent", Answer.silent())
        .answering("GET /late", Answer.of(200).after(Duration.ofHours(1)))
        .answering("GET /slow", Answer.of(200).text("abc").inPieces(1, Duration.ofHours(1)))
        .answering("GET /never", asked -> never());
    List<Socket> waiting = new ArrayList<>();
    for (String path : List.of("silent", "late", "slow", "never")) {
      Socket socket = connected();
      send(socket, "GET /" + path + " HTTP/1.1\r\nHost: here\r\n\r\n");
      waiting.add(socket);
    }
    for (int i = 0;
        standIn.askedByAll("GET /{path}").json().toString().split("path\":\"/").length < 5
            && i < 500;
        i++) {
      Thread.sleep(10);
    }
    standIn.close();
    for (Socket socket : waiting) {
      try (socket) {
        rest(socket);
      } catch (SocketException e) {
        // that is an end, too
      }
    }
    waitUntilNobodyServes();
    IllegalStateException after =
        assertThrows(IllegalStateException.class, () -> standIn.asked("GET /a"));
    assertTrue(after.getMessage().contains("which is closed"), after.getMessage());
    assertThrows(IllegalStateException.class, () -> standIn.meanwhile("GET /a", Answer.of(200)));
  }

  @Test
  void tlsIsSpokenWithTheCertificateGiven(@TempDir Path folder) throws Exception {
    TestIdentity identity = new TestIdentity(folder, "weather");
    try (StandIn secured =
        StandIn.openSecured(identity.certificate().toString(), identity.key().toString())) {
      secured.answering("GET /a", Answer.of(200).json("safe"));
      Service.reachedAt(secured.url())
          .trusting(identity.certificate().toString())
          .send(Call.get("/a"))
          .must(status(200), body(exactly("safe")));
      secured.asked("GET /a").must(size(1));
    }
    Path none = Files.writeString(folder.resolve("none.pem"), "nothing");
    IllegalArgumentException refused = assertThrows(
        IllegalArgumentException.class,
        () -> StandIn.openSecured(none.toString(), none.toString()));
    assertTrue(refused.getMessage().contains("cannot be used"), refused.getMessage());
  }

  @Test
  void aPortThatIsTakenIsNamed() throws IOException {
    try (ServerSocket taken = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      IllegalStateException refused =
          assertThrows(IllegalStateException.class, () -> StandIn.openAt(taken.getLocalPort()));
      assertTrue(
          refused
              .getMessage()
              .startsWith("a stand-in cannot open at port " + taken.getLocalPort()
                  + ", which somebody else has"),
          refused.getMessage());
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "/forecast | it has a method and a path",
        "get /forecast | methods are case-sensitive",
        "GET forecast | the path begins with '/'",
        "GET /forecast?days=2 | a pattern matches the path alone",
        "GET /a/{x}/{x} | the argument 'x' occurs in it twice",
        "GET /a/{+x}/b | nothing can follow {+x}",
        "GET /a/b{x} | neither a fixed piece of a path nor one argument",
        "GET /a b | no path has a blank in it",
        "G@T /a | is no method"
      })
  void aPatternThatCanNeverMatchIsRefused(String pattern, String why) {
    for (IllegalArgumentException refused : List.of(
        assertThrows(
            IllegalArgumentException.class, () -> standIn.answering(pattern, Answer.of(200))),
        assertThrows(IllegalArgumentException.class, () -> standIn.asked(pattern)))) {
      assertTrue(refused.getMessage().contains(why), refused.getMessage());
    }
  }

  @Test
  void aPatternIsAnsweredOnce() {
    standIn.answering("GET /a/{x}", Answer.of(200));
    assertTrue(assertThrows(
            IllegalArgumentException.class, () -> standIn.answering("GET /a/{y}", Answer.of(201)))
        .getMessage()
        .contains("'GET /a/{y}' is answered already, as 'GET /a/{x}'"));
    standIn.answering("GET /a/{+y}", Answer.of(202)).answering("PUT /a/{y}", Answer.of(203));
  }

  @Test
  void anAnswerThatCannotBeIsRefused() {
    Answer answer = Answer.of(200).text("abc");
    for (Runnable wrong : List.<Runnable>of(
        () -> Answer.of(100),
        () -> Answer.of(600),
        () -> answer.cutOff(3),
        () -> Answer.of(200).cutOff(0),
        () -> answer.header("Content-Length", 7),
        () -> answer.header("X", "a\nb"),
        () -> answer.after(Duration.ZERO),
        () -> answer.inPieces(0, Duration.ofMillis(1)),
        () -> Answer.of(204).text("x"),
        () -> Answer.silent().text("x"),
        () -> Answer.inTurn(answer, answer).header("X", "y"),
        () -> Answer.of(200).file("no/such.json"))) {
      assertThrows(IllegalArgumentException.class, wrong::run);
    }
  }

  private static Answer never() {
    try {
      Thread.sleep(3_600_000);
    } catch (InterruptedException e) {
      throw new IllegalStateException("interrupted");
    }
    return Answer.of(200);
  }

  private void waitUntilNobodyServes() throws InterruptedException {
    String prefix = "stand-in " + standIn.port() + "-";
    for (int i = 0; i < 500; i++) {
      String left = Thread.getAllStackTraces().keySet().stream()
          .map(Thread::getName)
          .filter(name -> name.startsWith(prefix))
          .collect(Collectors.joining(", "));
      if (left.isEmpty()) {
        return;
      }
      Thread.sleep(10);
    }
    throw new AssertionError("there are threads left of " + prefix);
  }

  private Socket connected() throws IOException {
    return new Socket(InetAddress.getLoopbackAddress(), standIn.port());
  }

  private static void send(Socket socket, String text) throws IOException {
    socket.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
    socket.getOutputStream().flush();
  }

  /** What comes to a request, until the connection is closed. */
  private String said(String request) throws IOException {
    try (Socket socket = connected()) {
      String head = request.replaceFirst("HTTP/1.1", "HTTP/1.1\r\nHost: here\r\nConnection: close");
      send(
          socket,
          head.contains("\r\n\r\n") || head.endsWith("0\r\n") ? head + "\r\n" : head + "\r\n\r\n");
      return rest(socket);
    }
  }

  private static String rest(Socket socket) throws IOException {
    InputStream stream = socket.getInputStream();
    ByteArrayOutputStream got = new ByteArrayOutputStream();
    stream.transferTo(got);
    return got.toString(StandardCharsets.UTF_8);
  }
}
