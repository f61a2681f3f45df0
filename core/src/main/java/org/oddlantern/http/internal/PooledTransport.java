package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
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
  private final ScheduledThreadPoolExecutor alarms;

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
    alarms = new ScheduledThreadPoolExecutor(1, PooledTransport::daemon);
    alarms.setRemoveOnCancelPolicy(true);
    alarms.setKeepAliveTime(10, TimeUnit.SECONDS);
    alarms.allowCoreThreadTimeOut(true);
  }

  @Override
  public WireReply send(WireRequest request, Duration deadline) throws TransportFault {
    HttpUriRequestBase wire = new HttpUriRequestBase(request.method(), request.uri());
    request.headers().fields().forEach(header -> wire.addHeader(header.name(), header.value()));
    if (request.body().length > 0) {
      wire.setEntity(new ByteArrayEntity(request.body(), null));
    }
    Progress progress = new Progress();
    ScheduledFuture<?> alarm = alarms.schedule(
        () -> progress.cutAtDeadline(wire), deadline.toNanos(), TimeUnit.NANOSECONDS);
    try {
      return client.execute(wire, response -> reply(response, progress));
    } catch (IOException | RuntimeException e) {
      throw FaultWords.fault(e, request, deadline, progress);
    } finally {
      alarm.cancel(false);
    }
  }

  @Override
  public void close() {
    alarms.shutdownNow();
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

  private static Thread daemon(Runnable task) {
    Thread thread = new Thread(task, "odd-lantern-deadlines");
    thread.setDaemon(true);
    return thread;
  }
}
