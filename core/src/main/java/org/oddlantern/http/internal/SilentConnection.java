package org.oddlantern.http.internal;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.SocketException;
import java.util.List;
import javax.net.ssl.SSLSession;
import javax.net.ssl.SSLSocket;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.shaded.org.apache.hc.client5.http.io.ManagedHttpClientConnection;
import org.oddlantern.shaded.org.apache.hc.core5.function.Supplier;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpRequest;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpResponse;
import org.oddlantern.shaded.org.apache.hc.core5.http.Header;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpException;
import org.oddlantern.shaded.org.apache.hc.core5.http.NoHttpResponseException;
import org.oddlantern.shaded.org.apache.hc.core5.http.config.Http1Config;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.io.DefaultBHttpClientConnection;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.io.SocketHolder;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.HttpConnectionFactory;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.SessionInputBuffer;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.SessionOutputBuffer;
import org.oddlantern.shaded.org.apache.hc.core5.io.CloseMode;
import org.oddlantern.shaded.org.apache.hc.core5.util.Timeout;

/**
 * A connection that writes no wire log, since that would hold every secret, takes nothing but HTTP for
 * HTTP, and notices bytes that belong to no reply.
 */
final class SilentConnection extends DefaultBHttpClientConnection
    implements ManagedHttpClientConnection {

  private static final long IDLE_NANOS = 10_000_000;

  static final int MOST_HEADERS = 1_000;
  static final int LONGEST_LINE = 1 << 16;

  static final HttpConnectionFactory<ManagedHttpClientConnection> FACTORY = SilentConnection::made;

  static final Http1Config LIMITS = Http1Config.custom()
      .setMaxHeaderCount(MOST_HEADERS)
      .setMaxLineLength(LONGEST_LINE)
      .setMaxEmptyLineCount(2)
      .build();

  private volatile boolean closed;
  private boolean used;
  private boolean kept;
  private volatile long idleSince;
  private Timeout timeout = Timeout.DISABLED;

  private SilentConnection() {
    super(LIMITS, null, null, null, null, OctetWriter::new, limits -> new StrictParser(LIMITS));
  }

  private static SilentConnection made(@Nullable Socket socket) throws IOException {
    SilentConnection connection = new SilentConnection();
    if (socket != null) {
      connection.bind(socket);
    }
    return connection;
  }

  @Override
  public void bind(Socket socket) throws IOException {
    refuseIfClosed(socket);
    super.bind(socket);
    timeout = Timeout.ofMilliseconds(socket.getSoTimeout());
  }

  @Override
  public void bind(SSLSocket secured, Socket socket) throws IOException {
    refuseIfClosed(secured);
    super.bind(secured, socket);
    timeout = Timeout.ofMilliseconds(secured.getSoTimeout());
  }

  private void refuseIfClosed(Socket socket) throws IOException {
    if (closed) {
      socket.close();
      throw new InterruptedIOException("the connection was closed while it was made");
    }
  }

  @Override
  public void sendRequestHeader(ClassicHttpRequest request) throws HttpException, IOException {
    if (isUseless()) {
      throw new Useless();
    }
    kept = used;
    used = true;
    leaveOutClientName(request);
    super.sendRequestHeader(request);
  }

  /** What is sent at once with others waits for them here, where all is ready. */
  @Override
  public void flush() throws IOException {
    CurrentCase.part(StartLine.Runner.class).ifPresent(StartLine.Runner::ready);
    super.flush();
  }

  /** The end of a body is sent when the body is closed. */
  @Override
  protected OutputStream createContentOutputStream(
      long length,
      SessionOutputBuffer buffer,
      OutputStream stream,
      Supplier<List<? extends Header>> trailers) {
    OutputStream content = super.createContentOutputStream(length, buffer, stream, trailers);
    return CurrentCase.part(StartLine.Runner.class)
        .<OutputStream>map(runner -> new AwaitedEnd(content, runner))
        .orElse(content);
  }

  @Override
  public ClassicHttpResponse receiveResponseHeader() throws HttpException, IOException {
    try {
      return super.receiveResponseHeader();
    } catch (NoHttpResponseException | SocketException e) {
      if (kept) {
        throw new Crossed(e);
      }
      throw e;
    }
  }

  /**
   * Whether something came on an idle connection, which belongs to no reply, or the service has closed it.
   * Finding out about the last takes a moment, so it is asked of those only that were idle for a while.
   */
  private boolean isUseless() throws IOException {
    Socket socket = getSocket();
    if (!used || socket == null) {
      return false;
    }
    return socket.getInputStream().available() > 0
        || System.nanoTime() - idleSince > IDLE_NANOS && isStale();
  }

  /** Who leaves the header out wants none, not that of the client. */
  private static void leaveOutClientName(ClassicHttpRequest request) {
    Header agent = request.getFirstHeader("User-Agent");
    if (agent != null && String.valueOf(agent.getValue()).startsWith("Apache-HttpClient")) {
      request.removeHeader(agent);
    }
  }

  @Override
  protected InputStream createContentInputStream(
      long length, SessionInputBuffer buffer, InputStream stream) {
    InputStream content = super.createContentInputStream(length, buffer, stream);
    return new WatchedStream(content, length, buffer);
  }

  @Override
  public @Nullable Socket getSocket() {
    SocketHolder holder = getSocketHolder();
    return holder == null ? null : holder.getSocket();
  }

  @Override
  public @Nullable SSLSession getSSLSession() {
    return getSocket() instanceof SSLSocket secured ? secured.getSession() : null;
  }

  @Override
  public void close() throws IOException {
    closed = true;
    super.close();
  }

  @Override
  public void close(CloseMode mode) {
    closed = true;
    super.close(mode);
  }

  @Override
  public void passivate() {
    idleSince = System.nanoTime();
    super.setSocketTimeout(Timeout.ZERO_MILLISECONDS);
  }

  @Override
  public void activate() {
    super.setSocketTimeout(timeout);
  }

  @Override
  public void setSocketTimeout(Timeout limit) {
    timeout = limit;
    super.setSocketTimeout(limit);
  }

  /** A kept connection that serves no more; nothing was sent on it yet. */
  static final class Useless extends IOException {
    private static final long serialVersionUID = 1L;

    Useless() {
      super("the kept connection is closed, or bytes arrived on it that belong to no reply");
    }
  }

  /** A kept connection was closed while a call was sent on it. */
  static final class Crossed extends IOException {
    private static final long serialVersionUID = 1L;

    Crossed(IOException cause) {
      super(cause.getMessage(), cause);
    }
  }

  /** A body that is longer than it says. */
  static final class TooLong extends IOException {
    private static final long serialVersionUID = 1L;

    TooLong(String message) {
      super(message);
    }
  }

  /** A body whose end waits for others. */
  private static final class AwaitedEnd extends FilterOutputStream {
    private final StartLine.Runner runner;

    AwaitedEnd(OutputStream content, StartLine.Runner runner) {
      super(content);
      this.runner = runner;
    }

    @Override
    public void write(byte[] bytes, int offset, int length) throws IOException {
      out.write(bytes, offset, length);
    }

    /** What is flushed by whoever writes the body would be the end of a small one. */
    @Override
    public void flush() {}

    @Override
    public void close() throws IOException {
      runner.ready();
      out.close();
    }
  }

  /** Looks after the end of a body whether more has come with it. */
  private static final class WatchedStream extends InputStream {
    private final InputStream content;
    private final long length;
    private final SessionInputBuffer buffer;
    private long read;

    WatchedStream(InputStream content, long length, SessionInputBuffer buffer) {
      this.content = content;
      this.length = length;
      this.buffer = buffer;
    }

    @Override
    public int read() throws IOException {
      int octet = content.read();
      watch(octet < 0 ? -1 : 1);
      return octet;
    }

    @Override
    public int read(byte[] bytes, int offset, int size) throws IOException {
      int count = content.read(bytes, offset, size);
      watch(count);
      return count;
    }

    @Override
    public int available() throws IOException {
      return content.available();
    }

    @Override
    public void close() throws IOException {
      content.close();
    }

    private void watch(int count) throws IOException {
      read += Math.max(0, count);
      if (count < 0 || read == length) {
        int more = buffer.length();
        if (more > 0) {
          throw new TooLong(
              length >= 0
                  ? "the Content-Length is " + length + ", but " + more + " more bytes arrived"
                  : more + " bytes followed the last chunk of the body");
        }
      }
    }
  }
}
