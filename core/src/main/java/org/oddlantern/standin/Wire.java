package org.oddlantern.standin;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import javax.net.ServerSocketFactory;
import javax.net.ssl.SSLSocket;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpRequest;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpResponse;
import org.oddlantern.shaded.org.apache.hc.core5.http.ConnectionClosedException;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpException;
import org.oddlantern.shaded.org.apache.hc.core5.http.config.Http1Config;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.io.DefaultBHttpServerConnection;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.io.HttpService;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.HttpServerRequestHandler;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.entity.AbstractHttpEntity;
import org.oddlantern.shaded.org.apache.hc.core5.http.message.BasicClassicHttpResponse;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.HttpCoreContext;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.HttpProcessor;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.HttpProcessorBuilder;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.ResponseConnControl;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.ResponseContent;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.ResponseDate;

/**
 * HTTP/1.1 on loopback, with a thread for each connection, so that an answer can be as bad as its sockets
 * allow. No thread of it keeps a program alive.
 */
final class Wire implements Closeable {

  private static final int BACKLOG = 200;
  private static final int LONGEST_LINE = 1 << 16;

  private static final Http1Config LIMITS = Http1Config.custom()
      .setMaxLineLength(LONGEST_LINE)
      .setMaxHeaderCount(1_000)
      .build();

  /** Without the name of the library, which is not what is stood in for. */
  private static final HttpProcessor PROCESSOR = HttpProcessorBuilder.create()
      .addAll(new ResponseDate(), new ResponseContent(), new ResponseConnControl())
      .build();

  private static final byte[] NOT_HTTP =
      "HTTP/1.1 two hundred\r\nContent-Length: many\r\n\r\n\u0000{"
          .getBytes(StandardCharsets.US_ASCII);

  private final Answering answering;
  private final ServerSocket server;
  private final String name;
  private final AtomicInteger count = new AtomicInteger();
  private final Map<Socket, Thread> open = new ConcurrentHashMap<>();
  private volatile boolean closed;

  /** Listens at a port of the loopback address; 0 is any free one. */
  Wire(int port, ServerSocketFactory sockets, Answering answering) throws IOException {
    this.answering = answering;
    this.server = sockets.createServerSocket(port, BACKLOG, InetAddress.getLoopbackAddress());
    this.name = "stand-in " + server.getLocalPort();
    start(name, this::accept);
  }

  int port() {
    return server.getLocalPort();
  }

  private static Thread start(String name, Runnable work) {
    Thread thread = new Thread(null, work, name, 0, false);
    thread.setDaemon(true);
    thread.start();
    return thread;
  }

  private void accept() {
    while (!closed) {
      try {
        Socket socket = server.accept();
        socket.setTcpNoDelay(true);
        start(name + "-" + count.incrementAndGet(), () -> serve(socket));
      } catch (IOException e) {
        if (server.isClosed()) {
          return;
        }
        // one that came and went; the next may be better
      }
    }
  }

  private void serve(Socket socket) {
    open.put(socket, Thread.currentThread());
    try (socket;
        DefaultBHttpServerConnection connection =
            new DefaultBHttpServerConnection("http", LIMITS)) {
      if (socket instanceof SSLSocket secured) {
        secured.startHandshake();
      }
      connection.bind(socket);
      HttpService service = new HttpService(PROCESSOR, handler(socket));
      while (!closed && connection.isOpen()) {
        service.handleRequest(connection, HttpCoreContext.create());
      }
    } catch (IOException | HttpException | RuntimeException e) {
      // the other side has gone, was left as it was told, or spoke no HTTP that could be read
    } finally {
      open.remove(socket);
    }
  }

  private HttpServerRequestHandler handler(Socket socket) {
    return (request, trigger, context) -> {
      Answer answer = answering.answer(request);
      pause(answer.pace().after().toMillis());
      if (answer.status() == 0) {
        fail(answer, socket);
      }
      trigger.submitResponse(response(answer));
      if (answer.ending().bytes() >= 0) {
        throw new ConnectionClosedException("cut off, as instructed");
      }
    };
  }

  private void fail(Answer answer, Socket socket) throws IOException {
    if (answer.ending().equals(Answer.Ending.SILENT)) {
      InputStream stream = socket.getInputStream();
      while (!closed && stream.read() >= 0) {
        // whatever comes is not answered either
      }
    } else if (answer.ending().equals(Answer.Ending.RESET)) {
      socket.setSoLinger(true, 0);
      socket.close();
    } else {
      socket.getOutputStream().write(NOT_HTTP);
      socket.getOutputStream().flush();
    }
    throw new ConnectionClosedException(answer.ending().words());
  }

  private ClassicHttpResponse response(Answer answer) {
    BasicClassicHttpResponse response = new BasicClassicHttpResponse(answer.status());
    String type = null;
    for (Header header : answer.headers()) {
      if (header.name().equalsIgnoreCase("Content-Type")) {
        type = header.value();
      } else {
        response.addHeader(header.name(), header.value());
      }
    }
    boolean none = answer.status() == 204 || answer.status() == 304;
    if (!none) {
      response.setEntity(new Paced(answer, type));
    }
    return response;
  }

  private void pause(long millis) throws InterruptedIOException {
    if (millis > 0) {
      try {
        Thread.sleep(millis);
      } catch (InterruptedException e) {
        throw new InterruptedIOException("the stand-in was closed");
      }
    }
  }

  @Override
  public void close() throws IOException {
    closed = true;
    server.close();
    for (Map.Entry<Socket, Thread> one : open.entrySet()) {
      one.getValue().interrupt();
      one.getKey().close();
    }
  }

  /** Gives the answer to a request, whose body is still to be read. */
  @FunctionalInterface
  interface Answering {
    Answer answer(ClassicHttpRequest request) throws IOException;
  }

  /** A body that is sent as slowly, and as far, as the answer says. */
  private final class Paced extends AbstractHttpEntity {
    private final Answer answer;

    Paced(Answer answer, @Nullable String type) {
      super(type, null);
      this.answer = answer;
    }

    @Override
    public void writeTo(OutputStream stream) throws IOException {
      byte[] body = answer.sent();
      int piece = answer.pace().pieces() == 0 ? body.length : answer.pace().pieces();
      for (int from = 0; from < body.length; from += piece) {
        if (from > 0) {
          pause(answer.pace().every().toMillis());
        }
        stream.write(body, from, Math.min(piece, body.length - from));
        if (body.length > piece) {
          stream.flush();
        }
      }
      if (body.length < answer.body().length) {
        stream.flush();
        throw new ConnectionClosedException(answer.ending().words());
      }
    }

    @Override
    public long getContentLength() {
      return answer.body().length;
    }

    @Override
    public boolean isStreaming() {
      return false;
    }

    @Override
    public boolean isRepeatable() {
      return true;
    }

    @Override
    public InputStream getContent() {
      throw new UnsupportedOperationException("it is written, not read");
    }

    @Override
    public void close() {
      // nothing is open
    }
  }
}
