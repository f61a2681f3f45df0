package org.oddlantern.schema.internal;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.oddlantern.schema.SchemaProblem;

/** Fetches a schema from a host that is allowed. */
final class Fetching {

  private static final Duration CONNECT = Duration.ofSeconds(5);
  private static final Duration TIMEOUT = Duration.ofSeconds(30);
  private static final int LIMIT = 16 << 20;

  private Fetching() {}

  static String text(String uri) {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(uri)).timeout(TIMEOUT).build();
    try {
      HttpResponse<InputStream> reply = HttpClient.newBuilder()
          .connectTimeout(CONNECT)
          .build()
          .send(request, HttpResponse.BodyHandlers.ofInputStream());
      try (InputStream body = reply.body()) {
        byte[] bytes = body.readNBytes(LIMIT + 1);
        if (reply.statusCode() != 200) {
          throw new SchemaProblem(uri, "fetching it gave status " + reply.statusCode());
        }
        if (bytes.length > LIMIT) {
          throw new SchemaProblem(uri, "it is larger than " + (LIMIT >> 20) + " MiB");
        }
        return new String(bytes, StandardCharsets.UTF_8);
      }
    } catch (IOException e) {
      throw new SchemaProblem(uri, "it cannot be fetched: " + e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new SchemaProblem(uri, "fetching it was interrupted");
    }
  }
}
