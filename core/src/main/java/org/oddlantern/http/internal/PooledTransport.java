package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.http.WireRequest;
import org.oddlantern.shaded.org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.oddlantern.shaded.org.apache.hc.client5.http.config.ConnectionConfig;
import org.oddlantern.shaded.org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.oddlantern.shaded.org.apache.hc.client5.http.impl.classic.HttpClients;
import org.oddlantern.shaded.org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.DefaultClientTlsStrategy;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.HostnameVerificationPolicy;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.NoopHostnameVerifier;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpResponse;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpEntity;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpHost;
import org.oddlantern.shaded.org.apache.hc.core5.util.Timeout;
import org.oddlantern.shaded.org.slf4j.Logger;
import org.oddlantern.shaded.org.slf4j.LoggerFactory;

/**
 * HTTP over kept connections, by the barest forms of the client, which are also its fastest: they never
 * send a request twice, follow no redirect, keep no cookie, decode nothing. In the clear and through
 * proxies it is HTTP/1.1; else both sides agree on the version. The exchange is cut at its timeout.
 */
public final class PooledTransport implements Transport {

  private static final Logger LOG = LoggerFactory.getLogger(PooledTransport.class);
  private static final long LOOK_NANOS = 50_000_000;
  private static final int CONNECTIONS_PER_HOST = 2_000;
  private static final int CONNECTIONS = 4_000;

  private final Map<Duration, CloseableHttpClient> plain = new ConcurrentHashMap<>();
  private final Map<Way, CloseableHttpClient> secured = new ConcurrentHashMap<>();
  private final Map<Security, NegotiatedClient> negotiated = new ConcurrentHashMap<>();
  private final TimeoutWatch timeouts = new TimeoutWatch();

  /** Loads what the first client needs, and forgets it. */
  public static void prepare() {
    try (PooledTransport transport = new PooledTransport()) {
      transport.plain.put(Duration.ofSeconds(1), Way.plain(Duration.ofSeconds(1)));
    }
  }

  @Override
  public WireReply send(WireRequest request, Terms terms) throws TransportFault {
    Progress progress = new Progress(terms);
    Renewed wire = new Renewed(wire(request, terms));
    progress.leftBy(() -> wire.now.abort());
    long waitedBefore = progress.waitedNanos();
    if (LOG
        .isDebugEnabled()) { // where to alone: a path may hold what nobody knows to be secret yet
      LOG.debug("sending {} to {}", request.method(), HttpHost.create(request.uri()));
    }
    arm(wire, progress, terms.timeout().toNanos(), waitedBefore);
    try {
      while (true) {
        try {
          WireReply reply = send(wire.now, request, terms, progress);
          LOG.debug("received status {} and {} bytes", reply.status(), reply.body().length);
          return reply;
        } catch (SilentConnection.Useless e) {
          LOG.debug("the kept connection was closed; nothing had been sent, so once more");
          wire.now = wire(request, terms);
          progress.refuseIfLate();
        }
      }
    } catch (IOException | RuntimeException e) {
      WireReply heard = progress.heardSoFar();
      if (heard != null) {
        wire.now.abort();
        return heard;
      }
      LOG.debug("failed", e);
      throw FaultWords.fault(e, request, terms, progress);
    } finally {
      timeouts.callOff(wire.alarm);
    }
  }

  /** Time spent waiting for memory is given back: it is none of the service. */
  private void arm(Renewed wire, Progress progress, long nanos, long waitedBefore) {
    wire.alarm = timeouts.set(nanos, () -> {
      long waited = progress.waitedNanos();
      if (progress.isWaiting() || waited > waitedBefore) {
        arm(wire, progress, Math.max(LOOK_NANOS, waited - waitedBefore), waited);
      } else {
        progress.isOverDue();
        wire.now.abort();
      }
    });
  }

  private WireReply send(
      HttpUriRequestBase wire, WireRequest request, Terms terms, Progress progress)
      throws IOException {
    if (terms.proxy() == null && Way.isSecure(request.uri())) {
      NegotiatedClient client = negotiated.computeIfAbsent(
          terms.security(),
          security -> new NegotiatedClient(security, CONNECTIONS, CONNECTIONS_PER_HOST));
      return NegotiatedClient.decoded(
          client.send(
              request,
              terms,
              progress,
              how -> wire.setDependency(() -> {
                how.run();
                return true;
              })),
          terms);
    }
    CloseableHttpClient client = Way.isSecure(request.uri())
        ? secured.computeIfAbsent(
            new Way(terms.security(), terms.proxy(), terms.connect()), Way::client)
        : plain.computeIfAbsent(terms.connect(), Way::plain);
    HttpHost proxy = isForwarded(request, terms) ? HttpHost.create(terms.proxy()) : null;
    return proxy == null
        ? client.execute(wire, response -> reply(response, progress))
        : client.execute(proxy, wire, response -> reply(response, progress));
  }

  private static HttpUriRequestBase wire(WireRequest request, Terms terms) {
    HttpUriRequestBase wire = new HttpUriRequestBase(request.method(), request.uri());
    for (Header header : request.headers().fields()) {
      wire.addHeader(header.name(), HeaderText.toSend(header.value()));
    }
    if (request.body().length() != 0) {
      wire.setEntity(new ContentEntity(request.body()));
    }
    wire.setAbsoluteRequestUri(isForwarded(request, terms));
    return wire;
  }

  /** Whether the proxy gets the request itself (RFC 9112, section 3.2.2), rather than a tunnel. */
  private static boolean isForwarded(WireRequest request, Terms terms) {
    return terms.proxy() != null && !Way.isSecure(request.uri());
  }

  @Override
  public void close() {
    timeouts.close();
    negotiated.values().forEach(NegotiatedClient::close);
    List<CloseableHttpClient> clients = new ArrayList<>(plain.values());
    clients.addAll(secured.values());
    for (CloseableHttpClient client : clients) {
      try {
        client.close();
      } catch (IOException e) {
        throw new UncheckedIOException("the connections could not be closed: " + e.getMessage(), e);
      }
    }
  }

  private static WireReply reply(ClassicHttpResponse response, Progress progress)
      throws IOException {
    String reason = response.getReasonPhrase() == null ? "" : response.getReasonPhrase();
    List<Header> fields = new ArrayList<>();
    for (org.oddlantern.shaded.org.apache.hc.core5.http.Header header : response.getHeaders()) {
      fields.add(header(header));
    }
    Headers headers = new Headers(fields);
    progress.headCame(new WireReply(response.getCode(), reason, headers, new byte[0]));
    return new WireReply(
        response.getCode(), reason, headers, body(response.getEntity(), headers, progress));
  }

  static Header header(org.oddlantern.shaded.org.apache.hc.core5.http.Header came) {
    String value = came.getValue() == null ? "" : came.getValue();
    return new Header(came.getName(), HeaderText.came(came.getName(), value));
  }

  private static byte[] body(@Nullable HttpEntity entity, Headers headers, Progress progress)
      throws IOException {
    if (entity == null) {
      return new byte[0];
    }
    try (InputStream stream = entity.getContent()) {
      if (stream == null) {
        return new byte[0];
      }
      return ContentCoding.isCoded(headers)
          ? progress.read(ContentCoding.decoded(stream, headers), -1)
          : progress.read(stream, entity.getContentLength());
    }
  }

  /** The request of the connection at work, which a timeout may abort from its own thread. */
  private static final class Renewed {
    private volatile HttpUriRequestBase now;
    private volatile TimeoutWatch.@Nullable Alarm alarm;

    Renewed(HttpUriRequestBase first) {
      now = first;
    }
  }

  /**
   * What connections have in common that may be shared.
   *
   * @param security over TLS
   * @param tunnel the proxy that TLS goes through; null for none
   * @param connect how long a connection may take to be made
   */
  private record Way(Security security, @Nullable URI tunnel, Duration connect) {

    static CloseableHttpClient plain(Duration connect) {
      return new Way(Security.STANDARD, null, connect).client();
    }

    static boolean isSecure(URI uri) {
      return "https".equalsIgnoreCase(uri.getScheme());
    }

    CloseableHttpClient client() {
      PoolingHttpClientConnectionManagerBuilder manager =
          tunnel == null ? PoolingHttpClientConnectionManagerBuilder.create() : new Tunnel(tunnel);
      manager
          .setConnectionFactory(SilentConnection.FACTORY)
          .setMaxConnPerRoute(CONNECTIONS_PER_HOST)
          .setMaxConnTotal(CONNECTIONS)
          .setDefaultConnectionConfig(
              ConnectionConfig.custom().setConnectTimeout(Timeout.of(connect)).build());
      if (security.isStandard()) {
        manager.setTlsSocketStrategy(new StandardTls());
      } else {
        manager.setTlsSocketStrategy(
            security.any()
                ? new DefaultClientTlsStrategy(
                    Tls.context(security),
                    HostnameVerificationPolicy.CLIENT,
                    NoopHostnameVerifier.INSTANCE)
                : new DefaultClientTlsStrategy(Tls.context(security)));
      }
      return HttpClients.createMinimal(manager.build());
    }
  }
}
