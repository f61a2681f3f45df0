package org.oddlantern.http.internal;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.http.WireRequest;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.shaded.org.apache.hc.client5.http.async.methods.AbstractBinResponseConsumer;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.ClientTlsStrategyBuilder;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.HostnameVerificationPolicy;
import org.oddlantern.shaded.org.apache.hc.client5.http.ssl.NoopHostnameVerifier;
import org.oddlantern.shaded.org.apache.hc.core5.http.ContentType;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpHost;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpResponse;
import org.oddlantern.shaded.org.apache.hc.core5.http.config.CharCodingConfig;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.bootstrap.HttpAsyncRequester;
import org.oddlantern.shaded.org.apache.hc.core5.http.message.BasicHttpRequest;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.support.BasicRequestProducer;
import org.oddlantern.shaded.org.apache.hc.core5.http2.HttpVersionPolicy;
import org.oddlantern.shaded.org.apache.hc.core5.http2.config.H2Config;
import org.oddlantern.shaded.org.apache.hc.core5.http2.impl.nio.bootstrap.H2RequesterBootstrap;
import org.oddlantern.shaded.org.apache.hc.core5.io.CloseMode;
import org.oddlantern.shaded.org.apache.hc.core5.util.Timeout;

/**
 * HTTP over TLS in the version that both sides agree on (ALPN, RFC 7301): HTTP/2 where the service
 * offers it, else HTTP/1.1. By the client's core, which writes no log of what is sent.
 */
final class NegotiatedClient {

  private final HttpAsyncRequester requester;

  NegotiatedClient(Security security, int connections, int connectionsPerHost) {
    ClientTlsStrategyBuilder tls = ClientTlsStrategyBuilder.create();
    if (!security.isStandard()) {
      tls.setSslContext(Tls.context(security));
    }
    if (security.any()) {
      tls.setHostVerificationPolicy(HostnameVerificationPolicy.CLIENT)
          .setHostnameVerifier(NoopHostnameVerifier.INSTANCE);
    }
    requester = H2RequesterBootstrap.bootstrap()
        .setVersionPolicy(HttpVersionPolicy.NEGOTIATE)
        .setTlsStrategy(tls.buildAsync())
        .setIOSessionListener(new ConnectionEvents())
        .setHttp1Config(SilentConnection.LIMITS)
        .setCharCodingConfig(
            CharCodingConfig.custom().setCharset(StandardCharsets.ISO_8859_1).build())
        .setH2Config(H2Config.custom()
            .setPushEnabled(false)
            .setMaxHeaderListSize(SilentConnection.LONGEST_LINE * 4)
            .build())
        .setMaxTotal(connections)
        .setDefaultMaxPerRoute(connectionsPerHost)
        .create();
    requester.start();
  }

  WireReply send(WireRequest request, Terms terms, Progress progress, Cut cut) throws IOException {
    BasicHttpRequest wire = new BasicHttpRequest(request.method(), request.uri());
    for (Header header : request.headers().fields()) {
      wire.addHeader(header.name(), HeaderText.toSend(header.value()));
    }
    BasicRequestProducer producer = new BasicRequestProducer(
        wire, request.body().length() == 0 ? null : new ContentProducer(request.body()));
    Collector collector = new Collector(progress);
    CurrentCase.part(StartLine.Runner.class).ifPresent(StartLine.Runner::ready);
    Future<WireReply> future = requester.execute(
        HttpHost.create(request.uri()), producer, collector, Timeout.of(terms.connect()), null);
    cut.by(() -> future.cancel(true));
    try {
      WireReply reply = future.get();
      progress.takeRoom(reply.body().length);
      return reply;
    } catch (ExecutionException e) {
      throw e.getCause() instanceof IOException known ? known : new IOException(e.getCause());
    } catch (CancellationException e) {
      throw new IOException("the exchange was cut", e);
    } catch (InterruptedException e) {
      future.cancel(true);
      Thread.currentThread().interrupt();
      throw new IOException("the exchange was interrupted", e);
    }
  }

  void close() {
    requester.close(CloseMode.GRACEFUL);
  }

  /** Hears how an exchange can be cut. */
  @FunctionalInterface
  interface Cut {
    void by(Runnable how);
  }

  /** Gathers a reply, no more of it than is allowed. */
  private static final class Collector extends AbstractBinResponseConsumer<WireReply> {
    private final Progress progress;
    private final Progress.Collected bytes;
    private @Nullable HttpResponse response;

    Collector(Progress progress) {
      this.progress = progress;
      this.bytes = progress.collected();
    }

    @Override
    protected void start(HttpResponse came, ContentType type) {
      response = came;
      WireReply head = reply(came, new byte[0]);
      progress.statusCame(head.status());
      if (!ContentCoding.isCoded(head.headers())) { // else there is nothing to be heard on the way
        progress.headCame(head);
      }
    }

    @Override
    protected int capacityIncrement() {
      return 1 << 16;
    }

    @Override
    protected void data(ByteBuffer chunk, boolean last) throws IOException {
      bytes.add(chunk);
    }

    @Override
    protected WireReply buildResult() {
      HttpResponse came = response;
      if (came == null) {
        throw new IllegalStateException("a reply begins before it ends");
      }
      return reply(came, bytes.all());
    }

    private static WireReply reply(HttpResponse came, byte[] body) {
      List<Header> fields = new ArrayList<>();
      for (org.oddlantern.shaded.org.apache.hc.core5.http.Header header : came.getHeaders()) {
        fields.add(PooledTransport.header(header));
      }
      String reason = came.getReasonPhrase();
      return new WireReply(came.getCode(), reason == null ? "" : reason, new Headers(fields), body);
    }

    @Override
    public void releaseResources() {
      // nothing is held but memory
    }
  }

  /** The reply with its content encodings undone. */
  static WireReply decoded(WireReply reply, Terms terms) throws IOException {
    return ContentCoding.isCoded(reply.headers())
        ? new WireReply(
            reply.status(),
            reply.reason(),
            reply.headers(),
            new Progress(terms.body())
                .read(
                    ContentCoding.decoded(new ByteArrayInputStream(reply.body()), reply.headers()),
                    -1))
        : reply;
  }
}
