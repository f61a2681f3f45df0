package org.oddlantern.http.internal;

import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Proxy;
import java.net.Socket;
import java.net.URI;
import java.util.List;
import org.oddlantern.shaded.org.apache.hc.client5.http.DnsResolver;
import org.oddlantern.shaded.org.apache.hc.client5.http.SchemePortResolver;
import org.oddlantern.shaded.org.apache.hc.client5.http.impl.io.DefaultHttpClientConnectionOperator;
import org.oddlantern.shaded.org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.oddlantern.shaded.org.apache.hc.client5.http.io.HttpClientConnectionOperator;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.TlsSocketStrategy;
import org.oddlantern.shaded.org.apache.hc.core5.http.config.RegistryBuilder;

/** Makes connections through a tunnel that an HTTP proxy digs (RFC 9110, section 9.3.6). */
final class Tunnel extends PoolingHttpClientConnectionManagerBuilder {

  private final Proxy proxy;

  Tunnel(URI address) {
    int port = address.getPort() < 0 ? 80 : address.getPort();
    proxy = new Proxy(Proxy.Type.HTTP, new InetSocketAddress(address.getHost(), port));
  }

  @Override
  protected HttpClientConnectionOperator createConnectionOperator(
      SchemePortResolver ports, DnsResolver names, TlsSocketStrategy security) {
    return new DefaultHttpClientConnectionOperator(
        (Proxy none) -> new Socket(proxy),
        ports,
        new Unresolved(),
        RegistryBuilder.<TlsSocketStrategy>create().register("https", security).build());
  }

  /** Leaves it to the proxy to know the host. */
  private static final class Unresolved implements DnsResolver {
    @Override
    public InetAddress[] resolve(String host) {
      throw new UnsupportedOperationException("hosts are known to the proxy");
    }

    @Override
    public List<InetSocketAddress> resolve(String host, int port) {
      return List.of(InetSocketAddress.createUnresolved(host, port));
    }

    @Override
    public String resolveCanonicalHostname(String host) {
      return host;
    }
  }
}
