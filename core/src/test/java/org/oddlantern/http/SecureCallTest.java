package org.oddlantern.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.net.ssl.SSLSession;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.json.Secret;
import org.oddlantern.shaded.org.apache.hc.core5.http.ContentType;
import org.oddlantern.shaded.org.apache.hc.core5.http.EntityDetails;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpRequest;
import org.oddlantern.shaded.org.apache.hc.core5.http.Message;
import org.oddlantern.shaded.org.apache.hc.core5.http.URIScheme;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.bootstrap.HttpAsyncServer;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.AsyncRequestConsumer;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.AsyncServerRequestHandler;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.entity.StringAsyncEntityConsumer;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.support.AsyncResponseBuilder;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.support.BasicRequestConsumer;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.HttpContext;
import org.oddlantern.shaded.org.apache.hc.core5.http2.HttpVersionPolicy;
import org.oddlantern.shaded.org.apache.hc.core5.http2.impl.nio.bootstrap.H2ServerBootstrap;
import org.oddlantern.shaded.org.apache.hc.core5.http2.ssl.H2ServerTlsStrategy;
import org.oddlantern.shaded.org.apache.hc.core5.io.CloseMode;
import org.oddlantern.shaded.org.apache.hc.core5.reactor.ListenerEndpoint;
import org.oddlantern.shaded.org.apache.hc.core5.reactor.ssl.SSLBufferMode;
import org.oddlantern.testing.EchoService;
import org.oddlantern.testing.TestIdentity;

/** TLS: who is trusted, who we are, which version is spoken; and proxies. */
class SecureCallTest {

  @TempDir
  static Path folder;

  private static TestIdentity server;
  private static TestIdentity client;

  @BeforeAll
  static void identities() throws Exception {
    server = new TestIdentity(folder, "server");
    client = new TestIdentity(folder, "client");
  }

  @Test
  void aTestCertificateIsTrustedByNameOrNotAtAll() throws Exception {
    try (EchoService echo = new EchoService(server.trusting(client))) {
      Service service = Service.reachedAt(echo.address());
      String message =
          assertThrows(NoReply.class, () -> service.send(Call.get("/a"))).getMessage();
      assertTrue(message.contains("no secure connection could be made with 127.0.0.1:"), message);
      assertTrue(message.contains("trust: certificates/test.pem"), message);
      assertEquals(
          200,
          service.trusting(server.certificate().toString()).send(Call.get("/a")).status());
      assertThrows(
          NoReply.class,
          () -> service.trusting(client.certificate().toString()).send(Call.get("/a")));
      assertEquals(200, service.trustingAny().send(Call.get("/a")).status());
    }
  }

  @Test
  void aClientCertificateIsShownAsPemOrFromAStore() throws Exception {
    try (HttpTwo two = new HttpTwo()) {
      Service service = two.service();
      assertEquals("nobody", service.send(Call.get("/")).valueAt("$.client", String.class));
      Service pem = service.clientCertificate(
          client.certificate().toString(), client.key().toString());
      assertEquals("CN=client", pem.send(Call.get("/")).valueAt("$.client", String.class));
      Service store =
          service.clientCertificate(client.store().toString(), Secret.of(TestIdentity.PASSWORD));
      assertEquals("CN=client", store.send(Call.get("/")).valueAt("$.client", String.class));
    }
  }

  @Test
  void speaksHttpTwoWhereItIsOffered() throws Exception {
    try (HttpTwo two = new HttpTwo()) {
      Reply reply =
          two.service().send(Call.post("/").header("X-Bee", "hum").text("x".repeat(200_000)));
      assertEquals("HTTP/2.0", reply.valueAt("$.version", String.class));
      assertEquals(200_000, reply.valueAt("$.length", int.class));
      assertEquals("hum", reply.valueAt("$.bee", String.class));
    }
  }

  @Test
  void aStreamOverHttpTwoIsReadSoFarAndTheNextCallIsServed() throws Exception {
    try (HttpTwo two = new HttpTwo()) {
      Service service = two.service();
      for (int i = 0; i < 3; i++) {
        service
            .send(Call.get("/events").readingEvents(2, Duration.ofSeconds(10)))
            .events()
            .must(at("$[*].data", items(1, 2)));
        assertEquals("HTTP/2.0", service.send(Call.get("/")).valueAt("$.version", String.class));
      }
    }
  }

  @Test
  void cutsAtItsTimeoutOverTlsToo() throws Exception {
    try (HttpTwo two = new HttpTwo()) {
      String message = assertThrows(
              NoReply.class,
              () -> two.service().timeout(Duration.ofMillis(300)).send(Call.get("/never")))
          .getMessage();
      assertTrue(message.contains("the timeout of 300 ms is over; nothing had come"), message);
      String large = assertThrows(
              NoReply.class, () -> two.service().bodyLimit(10).send(Call.get("/")))
          .getMessage();
      assertTrue(large.contains("the body is larger than the limit of 10 bytes"), large);
    }
  }

  @Test
  void goesThroughAProxyOpenlyOrByATunnel() throws Exception {
    try (Proxy proxy = new Proxy();
        EchoService open = new EchoService();
        EchoService secured = new EchoService(server.trusting(client))) {
      Service.reachedAt(open.address()).viaProxy(proxy.address()).send(Call.get("/a"));
      assertEquals(
          200,
          Service.reachedAt(secured.address())
              .viaProxy(proxy.address())
              .trusting(server.certificate().toString())
              .send(Call.get("/b"))
              .status());
      assertEquals("/b", secured.last().target());
      assertEquals(
          List.of(
              "GET " + open.address() + "/a HTTP/1.1",
              "CONNECT " + secured.address().substring(8) + " HTTP/1.1"),
          proxy.asked);
    }
  }

  @Test
  void twoGibibytesGoOutOfASmallHeap() throws Exception {
    Path file = folder.resolve("photos.bin");
    try (var sparse = new java.io.RandomAccessFile(file.toFile(), "rw")) {
      sparse.setLength(2L << 30);
    }
    try (ServerSocket sink = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      sink.setSoTimeout(120_000); // a JVM that cannot start must not keep the build waiting
      Process process = new ProcessBuilder(
              Path.of(System.getProperty("java.home"), "bin", "java").toString(),
              "-Xmx128m",
              "-cp",
              System.getProperty("java.class.path"),
              Uploader.class.getName(),
              "http://127.0.0.1:" + sink.getLocalPort(),
              file.toString())
          .redirectErrorStream(true)
          .start();
      try (Socket socket = sink.accept()) {
        long received = swallowed(socket, 2L << 30);
        assertTrue(received > 2L << 30, "only " + received + " bytes came");
      }
      String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertEquals(0, process.waitFor(), said);
    } finally {
      Files.delete(file);
    }
  }

  /** Reads all that is announced and a little more, and answers. */
  private static long swallowed(Socket socket, long atLeast) throws IOException {
    InputStream in = socket.getInputStream();
    byte[] chunk = new byte[1 << 20];
    long received = 0;
    byte[] tail = new byte[0];
    while (received <= atLeast || !new String(tail, StandardCharsets.US_ASCII).endsWith("--\r\n")) {
      int read = in.read(chunk);
      if (read < 0) {
        return received;
      }
      received += read;
      tail = java.util.Arrays.copyOfRange(chunk, Math.max(0, read - 4), read);
    }
    socket
        .getOutputStream()
        .write("HTTP/1.1 204 No Content\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
    return received;
  }

  /** Sends a large file as a part, in a JVM of its own. */
  static final class Uploader {
    public static void main(String[] arguments) {
      Service.reachedAt(arguments[0])
          .timeout(Duration.ofMinutes(10))
          .send(Call.post("/photos").part("photo", Part.file(Path.of(arguments[1]))));
    }
  }

  /** A service that offers HTTP/2 over TLS and tells what it saw. */
  private static final class HttpTwo
      implements AutoCloseable, AsyncServerRequestHandler<Message<HttpRequest, String>> {
    private final HttpAsyncServer http;
    private final int port;

    HttpTwo() throws Exception {
      http = H2ServerBootstrap.bootstrap()
          .setCanonicalHostName("127.0.0.1")
          .setVersionPolicy(HttpVersionPolicy.NEGOTIATE)
          .setTlsStrategy(new H2ServerTlsStrategy(
              server.trusting(client),
              SSLBufferMode.STATIC,
              (endpoint, engine) -> engine.setWantClientAuth(true),
              null))
          .register("*", this)
          .create();
      http.start();
      ListenerEndpoint endpoint = http.listen(
              new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), URIScheme.HTTPS)
          .get();
      port = ((InetSocketAddress) endpoint.getAddress()).getPort();
    }

    Service service() {
      return Service.reachedAt("https://127.0.0.1:" + port)
          .trusting(server.certificate().toString());
    }

    @Override
    public AsyncRequestConsumer<Message<HttpRequest, String>> prepare(
        HttpRequest request, EntityDetails entity, HttpContext context) {
      return new BasicRequestConsumer<>(entity == null ? null : new StringAsyncEntityConsumer());
    }

    @Override
    public void handle(
        Message<HttpRequest, String> message, ResponseTrigger trigger, HttpContext context)
        throws org.oddlantern.shaded.org.apache.hc.core5.http.HttpException, IOException {
      if (message.getHead().getPath().equals("/never")) {
        return;
      }
      if (message.getHead().getPath().equals("/events")) {
        String events = IntStream.rangeClosed(1, 200_000)
            .mapToObj(number -> "data: " + number + "\n\n")
            .collect(Collectors.joining());
        trigger.submitResponse(
            AsyncResponseBuilder.create(200)
                .setEntity(events, ContentType.TEXT_EVENT_STREAM)
                .build(),
            context);
        return;
      }
      SSLSession session =
          ((org.oddlantern.shaded.org.apache.hc.core5.http.protocol.HttpCoreContext) context)
              .getSSLSession();
      String who;
      try {
        who = session.getPeerPrincipal().getName();
      } catch (javax.net.ssl.SSLPeerUnverifiedException e) {
        who = "nobody";
      }
      var bee = message.getHead().getFirstHeader("X-Bee");
      trigger.submitResponse(
          AsyncResponseBuilder.create(200)
              .setEntity("{\"version\":\"%s\",\"client\":\"%s\",\"length\":%d,\"bee\":\"%s\"}"
                  .formatted(
                      message.getHead().getVersion(),
                      who,
                      message.getBody() == null ? 0 : message.getBody().length(),
                      bee == null ? "" : bee.getValue()))
              .build(),
          context);
    }

    @Override
    public void close() {
      http.close(CloseMode.IMMEDIATE);
    }
  }

  /** Forwards what it is asked, remembering the first line. */
  private static final class Proxy implements AutoCloseable {
    private final ServerSocket listening;
    private final List<String> asked = new CopyOnWriteArrayList<>();

    Proxy() throws IOException {
      listening = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
      daemon(this::serve);
    }

    String address() {
      return "http://127.0.0.1:" + listening.getLocalPort();
    }

    private void serve() {
      while (!listening.isClosed()) {
        try {
          Socket socket = listening.accept();
          daemon(() -> serve(socket));
        } catch (IOException e) {
          return;
        }
      }
    }

    private void serve(Socket socket) {
      try (socket) {
        byte[] head = new byte[65_536];
        int length = socket.getInputStream().read(head);
        String text = new String(head, 0, length, StandardCharsets.ISO_8859_1);
        String line = text.lines().findFirst().orElse("");
        asked.add(line);
        URI target = URI.create(
            line.replaceAll("^CONNECT ", "CONNECT tcp://").replaceAll("^\\S+ | HTTP/1.1$", ""));
        try (Socket onward = new Socket(target.getHost(), target.getPort())) {
          if (line.startsWith("CONNECT")) {
            socket
                .getOutputStream()
                .write("HTTP/1.1 200 OK\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
          } else {
            onward.getOutputStream().write(head, 0, length);
          }
          daemon(() -> pump(socket, onward));
          pump(onward, socket);
        }
      } catch (IOException e) {
        // one side has gone
      }
    }

    private static void pump(Socket from, Socket to) {
      try {
        OutputStream out = to.getOutputStream();
        from.getInputStream().transferTo(out);
      } catch (IOException e) {
        // one side has gone
      }
    }

    private static void daemon(Runnable task) {
      Thread thread = new Thread(task, "proxy");
      thread.setDaemon(true);
      thread.start();
    }

    @Override
    public void close() throws IOException {
      listening.close();
    }
  }
}
