package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.at;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.testing.RawServer;

/** Servers that mean no good: each ends in a clear sentence, within the timeout, with bounded memory. */
class HostileServerTest {

  private static final String OK = "HTTP/1.1 200 OK\r\n";

  @Test
  void saysItIsShorterThanItIs() throws IOException {
    assertFault(
        "the reply is longer than it says: the Content-Length is 2, but 5 more bytes arrived",
        OK + "Content-Length: 2\r\n\r\n{}extra");
    assertFault(
        "the reply is longer than it says: 4 bytes followed the last chunk of the body",
        OK + "Transfer-Encoding: chunked\r\n\r\n2\r\n{}\r\n0\r\n\r\nmore");
  }

  @Test
  void saysItIsLongerThanItIs() throws IOException {
    assertFault(
        "the connection broke off (Premature end of Content-Length delimited message body (expected: 9; received: 2)); status 200 and 2 bytes of the body had come until then",
        OK + "Content-Length: 9\r\n\r\n{}");
  }

  @Test
  void chunksWrongly() throws IOException {
    String fault = fault(OK + "Transfer-Encoding: chunked\r\n\r\n2\r\n{}\r\nno number\r\n\r\n");
    assertTrue(fault.startsWith("the exchange failed with MalformedChunkCodingException"), fault);
    assertTrue(fault.endsWith("status 200 and 2 bytes of the body had come until then"), fault);
  }

  @Test
  void hidesAGibibyteInAFewBytes() throws IOException {
    byte[] bomb = gzipped(1L << 30);
    assertTrue(bomb.length < 2_000_000, "the bomb has " + bomb.length + " bytes");
    String fault = fault(out -> {
      out.write(
          ascii(OK + "Content-Encoding: gzip\r\nContent-Length: " + bomb.length + "\r\n\r\n"));
      out.write(bomb);
    });
    assertEquals(
        "the body is larger than the limit of 67108864 bytes; the rest was not read", fault);
  }

  @Test
  void isNotInTheEncodingItClaims() throws IOException {
    assertFault(
        "the body is not in the content encoding it claims (Not in GZIP format); status 200 and 0 bytes of the body had come until then",
        OK + "Content-Encoding: gzip\r\nContent-Length: 5\r\n\r\nplain");
  }

  @Test
  void sendsAHundredThousandHeadersOrOneOfAMegabyte() throws IOException {
    String sentence =
        "the head of the reply is too large: more than 1000 headers, or a line of more than 65536 bytes";
    assertFault(sentence, OK + "X-Bee: hum\r\n".repeat(100_000) + "\r\n");
    assertFault(sentence, OK + "X-Bee: " + "z".repeat(1 << 20) + "\r\n\r\n");
  }

  @Test
  void announcesMoreThanAllowed() throws IOException {
    assertFault(
        "the Content-Length is 99999999999 bytes, which is more than the limit of 67108864; the rest was not read",
        OK + "Content-Length: 99999999999\r\n\r\n{");
  }

  @Test
  void closesAtOnceOrResetsInTheMiddle() throws IOException {
    assertFault("the service closed the connection without an HTTP reply", "");
    String reset = fault(out -> {
      out.write(ascii(OK + "Content-Length: 100\r\n\r\nhalf"));
      out.flush();
      Thread.sleep(100);
      throw new RawServer.Reset();
    });
    assertTrue(reset.startsWith("the connection broke off (Connection reset"), reset);
  }

  @Test
  void sendsAReplyNobodyAskedForBetweenTwoCalls() throws Exception {
    try (ServerSocket listening = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
      Thread thread = new Thread(() -> answerTwiceEach(listening));
      thread.setDaemon(true);
      thread.start();
      Service service = Service.reachedAt("http://127.0.0.1:" + listening.getLocalPort());
      assertEquals("true", service.send(Call.get("/1")).text());
      Thread.sleep(300);
      assertEquals("true", service.send(Call.get("/2")).text());
    }
  }

  /** The right reply at once, and a false one on the same connection a little later. */
  private static void answerTwiceEach(ServerSocket listening) {
    while (!listening.isClosed()) {
      try {
        Socket socket = listening.accept();
        while (socket.getInputStream().read(new byte[65_536]) > 0) {
          socket.getOutputStream().write(ascii(OK + "Content-Length: 4\r\n\r\ntrue"));
          Thread.sleep(50);
          socket.getOutputStream().write(ascii(OK + "Content-Length: 5\r\n\r\nfalse"));
        }
      } catch (IOException | InterruptedException e) {
        // the peer has gone, or the test is over
      }
    }
  }

  @Test
  void speaksOldHttpWithoutLength() throws IOException {
    try (RawServer server = RawServer.saying("HTTP/1.0 200 OK\r\n\r\n{\"id\": 7}")) {
      assertEquals(
          7, Service.reachedAt(server.address()).send(Call.get("/")).valueAt("$.id", int.class));
    }
  }

  @Test
  void bodiesInOtherCharactersAndEncodingsAreRead() throws IOException {
    assertEquals(
        "gr\u00fcn",
        reply("text/plain; charset=utf-16", bytes("gr\u00fcn", "UTF-16"), "").text());
    assertEquals(
        "gr\u00fcn",
        reply("text/plain; charset=iso-8859-1", bytes("gr\u00fcn", "ISO-8859-1"), "")
            .text());
    assertEquals(
        "\ufffd\ufffd",
        reply("text/plain", new byte[] {(byte) 0xff, (byte) 0xfe}, "").text());
    byte[] plain = ascii("{\"id\": 7}");
    assertEquals(
        "{\"id\": 7}",
        reply("application/json", deflated(plain, false), "deflate").text());
    assertEquals(
        "{\"id\": 7}",
        reply("application/json", deflated(plain, true), "deflate").text());
  }

  @Test
  void jsonIsUtf8WhateverIsDeclared() throws IOException {
    byte[] latin = bytes("{\"a\":\"gr\u00fcn\"}", "ISO-8859-1");
    assertEquals(
        "gr\u00fcn",
        reply("application/json; charset=iso-8859-1", bytes("{\"a\":\"gr\u00fcn\"}", "UTF-8"), "")
            .valueAt("$.a", String.class));
    String message = assertThrows(
            CheckFailed.class,
            () -> reply("application/json; charset=iso-8859-1", latin, "")
                .must(at("$.a", "gr\u00fcn")))
        .getMessage();
    assertTrue(message.contains("byte 9 of the body (0xFC) is no UTF-8"), message);
    assertTrue(
        message.contains(
            "the charset iso-8859-1 that Content-Type declares does not count for JSON"),
        message);
    String unknown = reply("text/plain; charset=hive-8", latin, "").summary();
    assertTrue(unknown.contains("the charset 'hive-8' that it declares is unknown"), unknown);
    String undecodable = reply("text/plain", latin, "").summary();
    assertTrue(undecodable.contains("not all of its bytes are UTF-8"), undecodable);
  }

  @Test
  void headersMayHoldWhatCouldNotBeSent() throws IOException {
    try (RawServer server =
        RawServer.saying(OK + "X-Odd: a\0b\u001b[31mc\r\nContent-Length: 0\r\n\r\n")) {
      assertEquals(
          "a b\u001b[31mc",
          Service.reachedAt(server.address())
              .send(Call.get("/"))
              .header("X-Odd")
              .orElse(""));
    }
  }

  @Test
  void wrongPagesAreShownAsTheyAre() throws IOException {
    Reply page = reply("application/json", ascii("<html><h1>502</h1></html>"), "");
    String message =
        assertThrows(CheckFailed.class, () -> page.valueAt("$.id", int.class)).getMessage();
    assertTrue(
        message.contains("200 OK, application/json, a body that begins: <html><h1>502</h1></html>"),
        message);
  }

  private static Reply reply(String type, byte[] body, String coding) throws IOException {
    try (RawServer server = new RawServer(out -> {
      out.write(ascii(OK + "Content-Type: " + type + "\r\n"
          + (coding.isEmpty() ? "" : "Content-Encoding: " + coding + "\r\n") + "Content-Length: "
          + body.length + "\r\n\r\n"));
      out.write(body);
    })) {
      return Service.reachedAt(server.address()).send(Call.get("/"));
    }
  }

  private static void assertFault(String sentence, String answer) throws IOException {
    assertEquals(sentence, fault(out -> out.write(answer.getBytes(StandardCharsets.ISO_8859_1))));
  }

  private static String fault(String answer) throws IOException {
    return fault(out -> out.write(ascii(answer)));
  }

  /** The sentence without the call before and the time after it. */
  private static String fault(RawServer.Answer answer) throws IOException {
    try (RawServer server = new RawServer(answer)) {
      Service service = Service.reachedAt(server.address()).timeout(Duration.ofMinutes(1));
      NoReply noReply = assertTimeoutPreemptively(
          Duration.ofMinutes(2),
          () -> assertThrows(NoReply.class, () -> service.send(Call.get("/hives"))));
      String message = noReply.getMessage();
      return message
          .substring(message.indexOf("no reply: ") + 10)
          .replaceAll(" \\(after \\d+ ms\\)$", "");
    }
  }

  private static byte[] gzipped(long zeros) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (OutputStream out = new GZIPOutputStream(bytes)) {
      byte[] block = new byte[1 << 20];
      for (long done = 0; done < zeros; done += block.length) {
        out.write(block);
      }
    }
    return bytes.toByteArray();
  }

  private static byte[] deflated(byte[] plain, boolean bare) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (OutputStream out = new DeflaterOutputStream(bytes, new Deflater(9, bare))) {
      out.write(plain);
    }
    return bytes.toByteArray();
  }

  private static byte[] ascii(String text) {
    return text.getBytes(StandardCharsets.US_ASCII);
  }

  private static byte[] bytes(String text, String charset) throws IOException {
    return text.getBytes(charset);
  }
}
