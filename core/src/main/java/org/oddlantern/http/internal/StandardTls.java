package org.oddlantern.http.internal;

import java.io.IOException;
import java.net.Socket;
import javax.net.ssl.SSLSocket;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.DefaultClientTlsStrategy;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.TlsSocketStrategy;
import org.oddlantern.shaded.org.apache.hc.core5.http.protocol.HttpContext;

/** TLS as the JDK trusts it, set up at the first secured connection: many runs have none, and it costs. */
final class StandardTls implements TlsSocketStrategy {

  private @Nullable TlsSocketStrategy made;

  @Override
  public SSLSocket upgrade(
      Socket socket,
      String target,
      int port,
      @Nullable Object attachment,
      @Nullable HttpContext context)
      throws IOException {
    return strategy().upgrade(socket, target, port, attachment, context);
  }

  private synchronized TlsSocketStrategy strategy() {
    if (made == null) {
      made = DefaultClientTlsStrategy.createDefault();
    }
    return made;
  }
}
