package org.oddlantern.testing;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.Base64;
import java.util.List;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;

/** A self-signed certificate with its key, made by the JDK's own tool for one test. */
public final class TestIdentity {

  public static final String PASSWORD = "changeit";

  private final Path folder;
  private final String name;
  private final KeyStore store;

  public TestIdentity(Path folder, String name) throws Exception {
    this.folder = folder;
    this.name = name;
    Path file = store();
    Process process = new ProcessBuilder(List.of(
            Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
            "-genkeypair",
            "-alias",
            name,
            "-keyalg",
            "EC",
            "-dname",
            "CN=" + name,
            "-ext",
            "san=ip:127.0.0.1,dns:localhost",
            "-storetype",
            "PKCS12",
            "-keystore",
            file.toString(),
            "-storepass",
            PASSWORD,
            "-validity",
            "2"))
        .redirectErrorStream(true)
        .start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (process.waitFor() != 0) {
      throw new IOException("keytool: " + said);
    }
    store = KeyStore.getInstance("PKCS12");
    try (InputStream stream = Files.newInputStream(file)) {
      store.load(stream, PASSWORD.toCharArray());
    }
    pem("CERTIFICATE", store.getCertificate(name).getEncoded(), certificate());
    pem("PRIVATE KEY", store.getKey(name, PASSWORD.toCharArray()).getEncoded(), key());
  }

  public Path store() {
    return folder.resolve(name + ".p12");
  }

  public Path certificate() {
    return folder.resolve(name + ".pem");
  }

  public Path key() {
    return folder.resolve(name + "-key.pem");
  }

  /** A context for a server that is this one and trusts that client. */
  public SSLContext trusting(TestIdentity client) throws Exception {
    KeyManagerFactory keys = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
    keys.init(store, PASSWORD.toCharArray());
    KeyStore trusted = KeyStore.getInstance("PKCS12");
    trusted.load(null, null);
    trusted.setCertificateEntry("client", client.store.getCertificate(client.name));
    TrustManagerFactory trust =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    trust.init(trusted);
    SSLContext context = SSLContext.getInstance("TLS");
    context.init(keys.getKeyManagers(), trust.getTrustManagers(), null);
    return context;
  }

  private static void pem(String kind, byte[] bytes, Path file) throws IOException {
    Files.writeString(
        file,
        "-----BEGIN %s-----\n%s\n-----END %s-----\n"
            .formatted(kind, Base64.getMimeEncoder().encodeToString(bytes), kind));
  }
}
