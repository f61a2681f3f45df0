package org.oddlantern.http.internal;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.http.Content;
import org.oddlantern.http.ContentPart;
import org.oddlantern.internal.described.Facts;
import org.oddlantern.internal.described.Where;

/** An exchange as a description judges it. */
public final class ExchangeFacts {

  private ExchangeFacts() {}

  /**
   * An exchange.
   *
   * @param exchange the exchange
   * @param address the address of its service
   */
  public static Facts of(Exchange exchange, String address) {
    Facts.Sent sent = new Facts.Sent(
        exchange.request().method(),
        Where.of(exchange.request().uri().toString(), address, exchange.origin().template()),
        exchange.request().headers().fields(),
        sent(exchange));
    WireReply reply = exchange.reply();
    return new Facts(
        sent,
        reply == null
            ? null
            : new Facts.Came(
                reply.status(),
                reply.headers().fields(),
                body(type(reply.headers()), reply.body())));
  }

  private static Facts.Body sent(Exchange exchange) {
    Content content = exchange.request().body();
    List<Facts.Field> fields = new ArrayList<>();
    for (ContentPart part : content.parts()) {
      fields.add(new Facts.Field(
          part.name(),
          part.contentType(),
          part.fileName().isEmpty()
              ? body(part.contentType(), bytes(part.content())).text()
              : null));
    }
    return fields.isEmpty()
        ? body(type(exchange.request().headers()), bytes(content)).of(content.length())
        : new Facts.Body(content.length(), null, fields);
  }

  private static byte[] bytes(Content content) {
    try {
      return content.isStreamed() ? new byte[0] : content.bytes();
    } catch (IOException e) {
      return new byte[0]; // it was sent, so it could be read
    }
  }

  private static Facts.Body body(String contentType, byte[] bytes) {
    return bytes.length == 0
        ? Facts.Body.NONE
        : new Facts.Body(bytes.length, text(contentType, bytes), List.of());
  }

  private static @Nullable String text(String contentType, byte[] bytes) {
    String type = contentType.toLowerCase(Locale.ROOT);
    boolean text = type.contains("json") || type.startsWith("text/") || type.contains("form");
    if (!text && !type.isEmpty()) {
      return null;
    }
    return type.contains("charset")
        ? BodyText.of(type, bytes).text()
        : new String(bytes, StandardCharsets.UTF_8);
  }

  private static String type(Headers headers) {
    return headers.first("Content-Type").orElse("");
  }
}
