package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.oddlantern.testing.RawServer;

/** What goes wrong below HTTP ends in a sentence, within the timeout. */
class FaultTest {

  private static final Duration TIMEOUT = Duration.ofMillis(1_500);

  @Test
  void nobodyListens() throws IOException {
    int port;
    try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      port = free.getLocalPort();
    }
    assertFault(
        "nothing accepts connections at 127.0.0.1:" + port
            + "; start the service or correct its address",
        "http://127.0.0.1:" + port);
  }

  @Test
  void hostIsUnknown() {
    assertFault(
        "no host is known as 'beeyard.invalid'; check the address of the service",
        "http://beeyard.invalid/api");
  }

  @Test
  void neverAnswers() throws IOException {
    try (RawServer server = new RawServer(out -> Thread.sleep(10_000))) {
      assertEquals(
          "the timeout of 1500 ms is over; nothing had come until then",
          fault(server.address(), TIMEOUT));
    }
  }

  @Test
  void answersOneByteATime() throws IOException {
    String head = "HTTP/1.1 200 OK\r\nContent-Length: 1000\r\n\r\n";
    try (RawServer server = new RawServer(out -> {
      out.write(head.getBytes(StandardCharsets.US_ASCII));
      for (int i = 0; i < 1000; i++) {
        out.write('x');
        out.flush();
        Thread.sleep(50);
      }
    })) {
      String sentence = fault(server.address(), TIMEOUT);
      assertTrue(
          sentence.matches(
              "the timeout of 1500 ms is over; status 200 and \\d+ bytes? of the body had come until then"),
          sentence);
    }
  }

  @Test
  void breaksOffInTheBody() throws IOException {
    try (RawServer server =
        RawServer.saying("HTTP/1.1 200 OK\r\nContent-Length: 100\r\n\r\nhalf")) {
      assertTrue(
          fault(server.address()).startsWith("the connection broke off (Premature end"),
          fault(server.address()));
    }
  }

  @Test
  void closesWithoutAWord() throws IOException {
    try (RawServer server = RawServer.saying("")) {
      assertFault("the service closed the connection without an HTTP reply", server.address());
    }
  }

  @Test
  void isNotHttp() throws IOException {
    try (RawServer server = RawServer.saying("220 mail.example.org ready\r\n\r\n")) {
      assertFault(
          "what was received is not HTTP (it begins with '220 mail.example.org ready'); nothing had come until then",
          server.address());
    }
  }

  @Test
  void neverStopsSending() throws IOException {
    byte[] chunk = new byte[1 << 20];
    try (RawServer server = new RawServer(out -> {
      out.write("HTTP/1.1 200 OK\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
      for (int i = 0; i < 1_000; i++) {
        out.write(chunk);
      }
    })) {
      Service service = Service.reachedAt(server.address()).timeout(Duration.ofMinutes(2));
      NoReply noReply = assertThrows(NoReply.class, () -> service.send(Call.get("/")));
      assertTrue(
          noReply
              .getMessage()
              .contains(
                  "the body is larger than the limit of 67108864 bytes; the rest was not read"),
          noReply.getMessage());
    }
  }

  private static void assertFault(String sentence, String address) {
    assertEquals(sentence, fault(address));
  }

  /** The sentence without the call before and the time after it. */
  private static String fault(String address) {
    return fault(address, Duration.ofMinutes(1));
  }

  private static String fault(String address, Duration timeout) {
    Service service = Service.reachedAt(address).timeout(timeout).connectTimeout(timeout);
    NoReply noReply = assertTimeoutPreemptively(
        Duration.ofMinutes(2),
        () -> assertThrows(NoReply.class, () -> service.send(Call.get("/hives"))));
    String message = noReply.getMessage();
    assertTrue(message.startsWith("GET " + address + "/hives got no reply: "), message);
    return message
        .substring(message.indexOf("no reply: ") + 10)
        .replaceAll(" \\(after \\d+ ms\\)$", "");
  }
}
