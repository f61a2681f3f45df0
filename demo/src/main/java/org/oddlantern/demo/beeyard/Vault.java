package org.oddlantern.demo.beeyard;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import java.util.concurrent.ExecutionException;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLPeerUnverifiedException;
import javax.net.ssl.SSLSession;
import javax.net.ssl.TrustManagerFactory;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.EntityDetails;
import org.apache.hc.core5.http.HttpException;
import org.apache.hc.core5.http.HttpRequest;
import org.apache.hc.core5.http.Message;
import org.apache.hc.core5.http.URIScheme;
import org.apache.hc.core5.http.impl.bootstrap.HttpAsyncServer;
import org.apache.hc.core5.http.nio.AsyncRequestConsumer;
import org.apache.hc.core5.http.nio.AsyncServerRequestHandler;
import org.apache.hc.core5.http.nio.entity.DiscardingEntityConsumer;
import org.apache.hc.core5.http.nio.support.AsyncResponseBuilder;
import org.apache.hc.core5.http.nio.support.BasicRequestConsumer;
import org.apache.hc.core5.http.protocol.HttpContext;
import org.apache.hc.core5.http.protocol.HttpCoreContext;
import org.apache.hc.core5.http2.HttpVersionPolicy;
import org.apache.hc.core5.http2.impl.nio.bootstrap.H2ServerBootstrap;
import org.apache.hc.core5.http2.ssl.H2ServerTlsStrategy;
import org.apache.hc.core5.io.CloseMode;
import org.apache.hc.core5.reactor.ssl.SSLBufferMode;

/**
 * Where the honey is: it speaks TLS only, offers HTTP/2, and opens for keepers who show a certificate.
 */
final class Vault implements AutoCloseable, AsyncServerRequestHandler<Message<HttpRequest, Void>> {

  private static final char[] PASSWORD = "fennel-hill".toCharArray();

  private final HttpAsyncServer server;
  private final int port;

  private Vault(int wanted) throws IOException, GeneralSecurityException {
    server = H2ServerBootstrap.bootstrap()
        .setCanonicalHostName(InetAddress.getLoopbackAddress().getHostAddress())
        .setVersionPolicy(HttpVersionPolicy.NEGOTIATE)
        .setTlsStrategy(new H2ServerTlsStrategy(
            context(),
            SSLBufferMode.STATIC,
            (endpoint, engine) -> engine.setWantClientAuth(true),
            null))
        .register("*", this)
        .create();
    server.start();
    port = listen(wanted);
  }

  /** Opens at a port, or at a free one if that is taken; 0 is any. */
  static Vault open(int port) {
    try {
      return new Vault(port == 0 ? 0 : FreePorts.preferring(port));
    } catch (IOException | GeneralSecurityException e) {
      throw new IllegalStateException("the vault cannot be opened: " + e.getMessage(), e);
    }
  }

  String address() {
    return "https://" + InetAddress.getLoopbackAddress().getHostAddress() + ":" + port + "/vault";
  }

  @Override
  public AsyncRequestConsumer<Message<HttpRequest, Void>> prepare(
      HttpRequest request, EntityDetails entity, HttpContext context) {
    return new BasicRequestConsumer<>(entity == null ? null : new DiscardingEntityConsumer<Void>());
  }

  @Override
  public void handle(
      Message<HttpRequest, Void> message, ResponseTrigger trigger, HttpContext context)
      throws HttpException, IOException {
    String keeper = keeper(((HttpCoreContext) context).getSSLSession());
    String body = "{\"keeper\":\"%s\",\"version\":\"%s\",\"jars\":%s}"
        .formatted(keeper, message.getHead().getVersion(), keeper.isEmpty() ? "null" : "144");
    trigger.submitResponse(
        AsyncResponseBuilder.create(keeper.isEmpty() ? 403 : 200)
            .setEntity(body, ContentType.APPLICATION_JSON)
            .build(),
        context);
  }

  @Override
  public void close() {
    server.close(CloseMode.IMMEDIATE);
  }

  private int listen(int wanted) throws IOException {
    InetSocketAddress address = new InetSocketAddress(InetAddress.getLoopbackAddress(), wanted);
    try {
      return ((InetSocketAddress) server.listen(address, URIScheme.HTTPS).get().getAddress())
          .getPort();
    } catch (ExecutionException e) {
      throw new IOException("it cannot listen at " + address + ": " + e.getCause(), e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("it was interrupted", e);
    }
  }

  /** Who has shown a certificate; nobody is empty. */
  private static String keeper(SSLSession session) {
    try {
      return session.getPeerPrincipal().getName().replaceAll("^CN=|\\..*", "");
    } catch (SSLPeerUnverifiedException e) {
      return "";
    }
  }

  private static SSLContext context() throws IOException, GeneralSecurityException {
    KeyManagerFactory keys = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
    keys.init(store("vault.p12"), PASSWORD);
    KeyStore keepers = KeyStore.getInstance("PKCS12");
    keepers.load(null, null);
    try (InputStream pem = resource("keeper.pem")) {
      keepers.setCertificateEntry(
          "keeper", CertificateFactory.getInstance("X.509").generateCertificate(pem));
    }
    TrustManagerFactory trust =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    trust.init(keepers);
    SSLContext context = SSLContext.getInstance("TLS");
    context.init(keys.getKeyManagers(), trust.getTrustManagers(), null);
    return context;
  }

  private static KeyStore store(String name) throws IOException, GeneralSecurityException {
    KeyStore store = KeyStore.getInstance("PKCS12");
    try (InputStream stream = resource(name)) {
      store.load(stream, PASSWORD);
    }
    return store;
  }

  private static InputStream resource(String name) throws IOException {
    InputStream stream = Vault.class.getResourceAsStream(name);
    if (stream == null) {
      throw new IOException("there is no " + name + " beside the class");
    }
    return stream;
  }
}
