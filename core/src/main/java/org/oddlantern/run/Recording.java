package org.oddlantern.run;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.Exchange;
import org.oddlantern.http.Headers;
import org.oddlantern.http.Verdict;
import org.oddlantern.http.WireReply;
import org.oddlantern.http.WireRequest;

/** Turns exchanges into records: secrets masked, bodies as text. The door through which they leave. */
final class Recording {

  private final Masker masker;

  Recording(Masker masker) {
    this.masker = masker;
  }

  /** Learns the secrets of an exchange; to be called for all exchanges of a case before one is recorded. */
  void learn(Exchange exchange) {
    masker.learn(exchange.request().headers().fields());
    learnBody(exchange.request().headers(), exchange.request().body());
    WireReply reply = exchange.reply();
    if (reply != null) {
      masker.learn(reply.headers().fields());
      learnBody(reply.headers(), reply.body());
    }
  }

  ExchangeRecord record(Exchange exchange, List<Verdict> verdicts) {
    WireRequest request = exchange.request();
    WireReply reply = exchange.reply();
    Headers sent = masked(request.headers());
    BodyRecord body = body(request.headers(), request.body());
    String url = masker.text(request.uri().toString());
    return new ExchangeRecord(
        masker.text(exchange.name()),
        request.method(),
        url,
        sent.fields(),
        body,
        reply == null ? 0 : reply.status(),
        reply == null ? "" : masker.text(reply.reason()),
        reply == null ? List.of() : masked(reply.headers()).fields(),
        reply == null ? BodyRecord.NONE : body(reply.headers(), reply.body()),
        exchange.sentAt(),
        exchange.took().toNanos() / 1_000,
        masked(exchange.fault()),
        verdicts.stream().map(this::masked).toList());
  }

  private @Nullable String masked(@Nullable String text) {
    return text == null ? null : masker.text(text);
  }

  private Headers masked(Headers headers) {
    return new Headers(headers.fields().stream().map(masker::header).toList());
  }

  private Verdict masked(Verdict verdict) {
    return new Verdict(
        masker.text(verdict.check()),
        verdict.warning(),
        verdict.findings().stream().map(masker::finding).toList());
  }

  private void learnBody(Headers headers, byte[] bytes) {
    String text = masker.looksIntoBodies() ? decoded(headers, bytes) : null;
    if (text != null) {
      masker.learnBody(text);
    }
  }

  private BodyRecord body(Headers headers, byte[] bytes) {
    String text = decoded(headers, bytes);
    return bytes.length == 0 ? BodyRecord.NONE : new BodyRecord(bytes.length, masked(text), null);
  }

  /** The text of a body; null if it is no text. */
  private static @Nullable String decoded(Headers headers, byte[] bytes) {
    String type = headers.first("Content-Type").orElse("").toLowerCase(Locale.ROOT);
    if (bytes.length == 0 || type.startsWith("image/") || type.contains("octet-stream")) {
      return null;
    }
    try {
      var charset =
          type.contains("iso-8859-1") ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_8;
      return charset.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      return null;
    }
  }
}
