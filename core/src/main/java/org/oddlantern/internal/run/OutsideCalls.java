package org.oddlantern.internal.run;

import java.io.IOException;
import java.net.Proxy;
import java.net.ProxySelector;
import java.net.SocketAddress;
import java.net.URI;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answering;

/**
 * Hears of connections that a case opens by itself, since the JDK asks for a proxy before each of them: such a
 * case cannot be done again, or it would send again what it sends. Sockets of {@code java.nio} do not ask,
 * so for what uses them there is {@code @NotAgain}. In force for the JVM from its beginning to its end.
 */
final class OutsideCalls extends ProxySelector implements AutoCloseable {

  /** What this library opens itself, and does not open again. */
  private static final Set<String> OURS = Set.of(
      "org.oddlantern.http.internal.PooledTransport",
      "org.oddlantern.database.Connector",
      "org.oddlantern.program.Ready",
      "org.oddlantern.schema.internal.Fetching");

  private final @Nullable ProxySelector before;

  private OutsideCalls(@Nullable ProxySelector before) {
    this.before = before;
  }

  static OutsideCalls heard() {
    OutsideCalls calls = new OutsideCalls(ProxySelector.getDefault());
    ProxySelector.setDefault(calls);
    return calls;
  }

  @Override
  public List<Proxy> select(URI uri) {
    Answering answering = Answering.ofCase();
    if (answering != Answering.LIVE && !isOurs()) {
      answering.refuseAgain("sends something to " + uri.getHost()
          + (uri.getPort() < 0 ? "" : ":" + uri.getPort()) + " with a client of its own");
    }
    return before == null ? List.of(Proxy.NO_PROXY) : before.select(uri);
  }

  private static boolean isOurs() {
    return StackWalker.getInstance()
        .walk(frames -> frames.anyMatch(
            frame -> OURS.contains(frame.getClassName().replaceFirst("\\$.*", ""))));
  }

  @Override
  public void connectFailed(URI uri, SocketAddress address, IOException failure) {
    if (before != null) {
      before.connectFailed(uri, address, failure);
    }
  }

  @Override
  public void close() {
    if (ProxySelector.getDefault() == this) {
      ProxySelector.setDefault(before);
    }
  }
}
