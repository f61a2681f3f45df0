package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.Arrays;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.io.entity.ByteArrayEntity;
import org.apache.hc.core5.util.Timeout;
import org.oddlantern.http.Header;
import org.oddlantern.http.Headers;
import org.oddlantern.http.WireReply;
import org.oddlantern.http.WireRequest;

/**
 * HTTP/1.1 over kept connections, with every silent helpfulness of the client off: it never sends a
 * request twice, follows no redirect, keeps no cookie, and cuts the exchange at its deadline.
 */
public final class PooledTransport implements Transport {

  private static final int CONNECTIONS_PER_HOST = 200;
  private static final int CONNECTIONS = 400;

  private final CloseableHttpClient client;
  private final DeadlineWatch deadlines = new DeadlineWatch();

  /** A transport with connections of its own; they are made when first needed. */
  public PooledTransport() {
    client = HttpClients.custom()
        .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
            .setMaxConnPerRoute(CONNECTIONS_PER_HOST)
            .setMaxConnTotal(CONNECTIONS)
            .setDefaultConnectionConfig(ConnectionConfig.custom()
                .setConnectTimeout(Timeout.ofSeconds(5))
                .build())
            .build())
        .disableAutomaticRetries()
        .disableRedirectHandling()
        .disableCookieManagement()
        .disableAuthCaching()
        .build();
  }

  @Override
  public WireReply send(WireRequest request, Duration deadline) throws TransportFault {
    HttpUriRequestBase wire = new HttpUriRequestBase(request.method(), request.uri());
    request.headers().fields().forEach(header -> wire.addHeader(header.name(), header.value()));
    if (request.body().length > 0) {
      wire.setEntity(new ByteArrayEntity(request.body(), null));
    }
    Progress progress = new Progress();
    DeadlineWatch.Alarm alarm =
        deadlines.set(deadline.toNanos(), () -> progress.cutAtDeadline(wire));
    try {
      return client.execute(wire, response -> reply(response, progress));
    } catch (IOException | RuntimeException e) {
      throw FaultWords.fault(e, request, deadline, progress);
    } finally {
      deadlines.callOff(alarm);
    }
  }

  @Override
  public void close() {
    deadlines.close();
    try {
      client.close();
    } catch (IOException e) {
      throw new UncheckedIOException("the connections could not be closed: " + e.getMessage(), e);
    }
  }

  private static WireReply reply(ClassicHttpResponse response, Progress progress)
      throws IOException {
    progress.statusCame(response.getCode());
    byte[] body = progress.readBody(response.getEntity());
    Headers headers = new Headers(Arrays.stream(response.getHeaders())
        .map(header ->
            new Header(header.getName(), header.getValue() == null ? "" : header.getValue()))
        .toList());
    return new WireReply(
        response.getCode(),
        response.getReasonPhrase() == null ? "" : response.getReasonPhrase(),
        headers,
        body);
  }
}
