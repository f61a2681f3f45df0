package org.oddlantern.internal.run;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.http.Content;
import org.oddlantern.http.ContentPart;
import org.oddlantern.http.WireRequest;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.Masked;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.AskedRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Octets;
import org.oddlantern.internal.record.Picture;
import org.oddlantern.internal.record.SentFile;
import org.oddlantern.internal.record.StepRecord;

/** Turns exchanges into records: secrets masked, bodies as text. The door through which they leave. */
final class Recording {

  private static final String JSON = "application/json";
  private static final int LONGEST_ANSWER = 4_000;
  private static final int LARGEST_PICTURE = 4 << 20;
  private static final int MOST_IN_VAIN = 10;

  /** The characters of a body that a command line still holds. */
  private static final int LONGEST_LINE = 1_000;

  private final Masker masker;
  private final AtomicInteger inVain = new AtomicInteger();

  Recording(Masker masker) {
    this.masker = masker;
  }

  /** Learns the secrets of what was asked; to be called for all of a case before one is recorded. */
  void learn(Asked asked) {
    if (asked instanceof Exchange exchange) {
      learn(exchange);
    } else if (asked instanceof Look query && masker.looksIntoBodies()) {
      masker.learnBody(JSON, query.answer());
    }
  }

  LookRecord record(Look query, int after, List<Verdict> verdicts) {
    String answer = masker.body(JSON, query.answer(), new ArrayList<>());
    return new LookRecord(
        new LookRecord.Asked(
            masker.text(query.at()),
            masker.text(query.statement()),
            query.parameters().stream().map(masker::text).toList()),
        answer.length() > LONGEST_ANSWER
            ? answer.substring(0, LONGEST_ANSWER) + "... (" + answer.length()
                + " characters in all)"
            : answer,
        after,
        query.sentAt().truncatedTo(ChronoUnit.MICROS),
        query.took().toNanos() / 1_000,
        query.fault() == null ? null : masker.text(query.fault()),
        masked(verdicts));
  }

  private void learn(Exchange exchange) {
    WireRequest request = exchange.request();
    masker.learn(request.headers().fields());
    WireReply reply = exchange.reply();
    if (reply != null) {
      masker.learn(reply.headers().fields());
    }
    if (masker.looksIntoBodies()) {
      masker.learnAddress(request.uri().toString());
      learnBody(request.headers(), inMemory(request.body()));
      if (reply != null) {
        learnBody(reply.headers(), reply.body());
      }
    }
  }

  ExchangeRecord record(Exchange exchange, List<Verdict> verdicts) {
    WireRequest request = exchange.request();
    WireReply reply = exchange.reply();
    List<String> variables = new ArrayList<>();
    String url = masker.address(request.uri().toString(), variables);
    List<Header> sent = masked(request.headers(), variables);
    BodyRecord body = sent(request, variables);
    return new ExchangeRecord(
        new ExchangeRecord.Origin(
            masker.text(exchange.origin().name()),
            exchange.origin().service(),
            masker.text(exchange.origin().template()),
            exchange.origin().visit(),
            isTroubled(exchange, verdicts) ? exchange.origin().traces() : ""),
        new ExchangeRecord.Request(
            request.method(),
            url,
            sent,
            body,
            named(variables),
            isTroubled(exchange, verdicts) ? sentFile(request.body(), body) : null),
        reply == null ? ExchangeRecord.Reply.NONE : came(reply),
        exchange.sentAt().truncatedTo(ChronoUnit.MICROS),
        exchange.took().toNanos() / 1_000,
        exchange.fault() == null ? null : masker.text(exchange.fault()),
        masked(verdicts),
        said(exchange, verdicts));
  }

  private static boolean isTroubled(Exchange exchange, List<Verdict> verdicts) {
    return AskedRecord.isTroubled(exchange.fault(), verdicts);
  }

  /** What the service said of a call that went wrong, if it is known where it says such things. */
  private @Nullable LogRecord said(Exchange exchange, List<Verdict> verdicts) {
    ServiceLog.Span span = exchange.log();
    if (span == null || !isTroubled(exchange, verdicts)) {
      return null;
    }
    // where a service never says anything, a run that fails all over must not wait each time
    boolean patient = inVain.get() < MOST_IN_VAIN;
    LogRecord said = patient ? new LogReading(span).readPatiently() : new LogReading(span).read();
    if (said == null) {
      inVain.incrementAndGet();
    }
    return said == null
        ? null
        : new LogRecord(said.named(), said.lines().stream().map(masker::text).toList());
  }

  private ExchangeRecord.Reply came(WireReply reply) {
    List<String> ignored = new ArrayList<>();
    return new ExchangeRecord.Reply(
        reply.status(),
        masker.text(reply.reason()),
        masked(reply.headers(), ignored),
        body(reply.headers(), reply.body(), ignored));
  }

  /** Nothing, unless one of them has a name. */
  private static List<String> named(List<String> variables) {
    for (String variable : variables) {
      if (!variable.isEmpty()) {
        return variables;
      }
    }
    return List.of();
  }

  private List<Header> masked(Headers headers, List<String> variables) {
    List<Header> masked = new ArrayList<>(headers.fields().size());
    for (Header field : headers.fields()) {
      masked.add(masker.header(field, variables));
    }
    return masked;
  }

  private List<Verdict> masked(List<Verdict> verdicts) {
    List<Verdict> masked = new ArrayList<>(verdicts.size());
    for (Verdict verdict : verdicts) {
      masked.add(masker.verdict(verdict));
    }
    return masked;
  }

  private void learnBody(Headers headers, byte[] bytes) {
    String text = decoded(type(headers), bytes);
    if (text != null) {
      masker.learnBody(type(headers), text);
    }
  }

  private BodyRecord sent(WireRequest request, List<String> variables) {
    Content body = request.body();
    if (!body.parts().isEmpty()) {
      return new BodyRecord(body.length(), null, null, parts(body, variables));
    }
    return body.isStreamed()
        ? new BodyRecord(body.length(), null, null, List.of())
        : body(request.headers(), inMemory(body), variables);
  }

  /** Of a body that a command line is no place for; one with a secret in it lies nowhere. */
  private @Nullable SentFile sentFile(Content sent, BodyRecord body) {
    String text = body.text();
    if (sent.isStreamed()
        || !body.parts().isEmpty()
        || sent.length() > LARGEST_PICTURE
        || text == null && sent.length() == 0
        || text != null && (text.length() <= LONGEST_LINE || text.contains(Masked.TEXT))) {
      return null;
    }
    byte[] bytes = inMemory(sent);
    boolean hidden = text == null && !Arrays.equals(masker.octets(bytes), bytes);
    return hidden ? null : SentFile.of(bytes);
  }

  private List<BodyRecord.FormPart> parts(Content body, List<String> variables) {
    List<BodyRecord.FormPart> parts = new ArrayList<>();
    for (ContentPart part : body.parts()) {
      String text = part.content().isStreamed()
          ? null
          : decoded(part.contentType(), inMemory(part.content()));
      parts.add(new BodyRecord.FormPart(
          masker.text(part.name()),
          masker.text(part.fileName()),
          part.contentType(),
          part.content().length(),
          text == null ? null : masker.body(part.contentType(), text, variables)));
    }
    return parts;
  }

  private BodyRecord body(Headers headers, byte[] bytes, List<String> variables) {
    if (bytes.length == 0) {
      return BodyRecord.NONE;
    }
    String text = decoded(type(headers), bytes);
    return new BodyRecord(
        bytes.length,
        text == null ? null : masker.body(type(headers), text, variables),
        null,
        List.of(),
        Picture.isOne(type(headers)) && bytes.length <= LARGEST_PICTURE ? Octets.of(bytes) : null);
  }

  StepRecord record(Step step, int after) {
    return new StepRecord(
        masker.text(step.words()), after, step.at().truncatedTo(ChronoUnit.MICROS));
  }

  KeptRecord record(String name, String contentType, byte[] content) {
    String text = decoded(contentType, content);
    byte[] shown = text == null
        ? masker.octets(content)
        : masker.body(contentType, text, new ArrayList<>()).getBytes(StandardCharsets.UTF_8);
    return new KeptRecord(masker.text(name), contentType, shown.length, null, Octets.of(shown));
  }

  private static byte[] inMemory(Content content) {
    if (content.isStreamed()) {
      return new byte[0];
    }
    try {
      return content.bytes();
    } catch (IOException e) {
      return new byte[0]; // it was sent, so it could be read; a report must not stop the run
    }
  }

  private static String type(Headers headers) {
    return headers.first("Content-Type").orElse("");
  }

  /** The text of a body; null if it is no text. */
  private static @Nullable String decoded(String contentType, byte[] bytes) {
    String type = contentType.toLowerCase(Locale.ROOT);
    if (bytes.length == 0 || type.startsWith("image/") && !type.contains("xml")) {
      return null;
    }
    BodyText decoded = BodyText.of(type, bytes);
    if (type.contains("octet-stream")) {
      boolean text =
          decoded.problem().isEmpty() && decoded.text().chars().allMatch(Recording::isWritten);
      return text ? decoded.text() : null;
    }
    return decoded.problem().isEmpty() || isText(type) ? decoded.text() : null;
  }

  /** Text has no control characters but those that end lines and set columns. */
  private static boolean isWritten(int letter) {
    return letter >= 0x20 && letter != 0x7f || letter == '\t' || letter == '\n' || letter == '\r';
  }

  /** What says that it is text is shown as far as it is. */
  private static boolean isText(String type) {
    return type.startsWith("text/") || type.contains("json") || type.contains("xml");
  }
}
