package org.oddlantern.http;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.EvidenceListener;
import org.oddlantern.evidence.internal.JudgedEvidence;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.json.Json;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;

/** A request as it was sent, looked at like a reply. */
final class SentEvidence extends JudgedEvidence {

  private final Exchange exchange;
  private final JsonMapping mapping;
  private final EvidenceListener recorder;

  SentEvidence(Exchange exchange, JsonMapping mapping, EvidenceListener recorder) {
    this.exchange = exchange;
    this.mapping = mapping;
    this.recorder = recorder;
  }

  @Override
  public String title() {
    return "the request " + exchange.line() + " as it was sent";
  }

  @Override
  public String summary() {
    long length = exchange.request().body().length();
    return length == 0 ? "no body" : "a body that begins: " + Words.cut(text());
  }

  @Override
  public Headers headers() {
    return exchange.request().headers();
  }

  @Override
  public byte[] bytes() {
    try {
      return exchange.request().body().bytes();
    } catch (IOException e) {
      throw new IllegalStateException(
          "the body of " + exchange.line() + " cannot be read again: " + e, e);
    }
  }

  @Override
  public String text() {
    return new String(bytes(), StandardCharsets.UTF_8);
  }

  @Override
  public Json json() {
    return Json.of(mapping.parse(bytes()));
  }

  /** Recorded beside what was asked of the reply, so it says that it is about what was sent. */
  @Override
  protected void judged(List<Verdict> verdicts) {
    recorder.judged(exchange, verdicts.stream().map(SentEvidence::ofSent).toList());
  }

  @Override
  protected JsonMapping hearingMapping() {
    return mapping.hearing(secret -> recorder.secret(Secret.of(secret)));
  }

  private static Verdict ofSent(Verdict one) {
    return new Verdict(one.check(), one.warning(), true, one.findings());
  }
}
