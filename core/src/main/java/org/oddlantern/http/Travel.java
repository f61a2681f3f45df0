package org.oddlantern.http;

import java.net.URI;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.internal.BodyBudget;
import org.oddlantern.http.internal.Caller;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.KnownPrograms;
import org.oddlantern.http.internal.Security;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.http.internal.Terms;
import org.oddlantern.http.internal.TransportFault;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.CurrentCase;

/** One way there, with all its stops, under one timeout. */
final class Travel {

  private final Profile profile;
  private final Surroundings surroundings;
  private final Exchange.Origin origin;
  private final Terms terms;
  private final Answering asked;
  private final boolean heard;
  private final long start = System.nanoTime();
  private boolean first = true;

  /**
   * A way.
   *
   * @param profile what is said of the service
   * @param surroundings where the case works
   * @param origin which call it is
   * @param terms under what terms all of it travels
   * @param asked who answers
   * @param heard whether the case hears of it
   */
  Travel(
      Profile profile,
      Surroundings surroundings,
      Exchange.Origin origin,
      Terms terms,
      Answering asked,
      boolean heard) {
    this.profile = profile;
    this.surroundings = surroundings;
    this.origin = origin;
    this.terms = terms;
    this.asked = asked;
    this.heard = heard;
  }

  Exchange exchange(WireRequest request) {
    refuseIfEnded(request);
    ServiceLog log = log(request);
    ServiceLog.Place from = log == null ? null : log.end();
    long waited = waitedNanos();
    long begun = System.nanoTime() - waited;
    Callable<WireReply> sending = () -> {
      Terms own = provenIfAllowed(request.uri());
      return surroundings.transport().send(request, isFirst() ? own : own.within(left(begun)));
    };
    // nearly every call of nearly every run: then nobody wants to know what the question was
    Answered<WireReply> came =
        asked == Answering.LIVE ? Answered.by(sending) : asked.answer(question(request), sending);
    Duration took = came.took().minusNanos(waitedNanos() - waited);
    try {
      WireReply reply = came.orThrow(TransportFault.class);
      surroundings.cookies().keep(request.uri(), reply.headers());
      return told(
          new Exchange(origin, request, reply, came.at(), took, null, span(log, from, request)));
    } catch (TransportFault e) {
      String sentence =
          e.getMessage() + " (after " + took.toMillis() + " ms)" + ended(request.uri());
      Exchange exchange = told(
          new Exchange(origin, request, null, came.at(), took, sentence, span(log, from, request)));
      throw new NoReply(exchange.line() + " got no reply: " + sentence, e, exchange);
    }
  }

  private Question<WireReply> question(WireRequest request) {
    String family = origin.service() + " " + request.method() + " " + origin.template();
    return new Question<>(WireReply.class, Question.Kind.CALL, request.line(), family, request);
  }

  private String ended(URI uri) {
    return asked
        .answer(
            Question.of(String.class, Question.Kind.GIVEN, "what has ended at " + uri),
            () -> KnownPrograms.ofRun().ended(uri))
        .orThrow();
  }

  private ServiceLog.@Nullable Span span(
      @Nullable ServiceLog log, ServiceLog.@Nullable Place from, WireRequest request) {
    if (log == null || from == null) {
      return null;
    }
    String trace = Caller.traceIn(request.headers().fields());
    String marker = surroundings.recorder().caller().map(Caller::marker).orElse("");
    List<String> names =
        Stream.of(trace, marker).filter(name -> !name.isEmpty()).toList();
    return new ServiceLog.Span(log.file(), from, log.end(), names);
  }

  /** Of a program that the run has started the output is the log. */
  private @Nullable ServiceLog log(WireRequest request) {
    if (asked.isAgain()) {
      return null;
    }
    ServiceLog own = profile.base().log();
    return own == null ? KnownPrograms.ofRun().log(request.uri()) : own;
  }

  private void refuseIfEnded(WireRequest request) {
    String ended = surroundings.recorder().whyEnded();
    if (heard && !ended.isEmpty()) {
      throw new NotSent(request.line() + " was not sent: " + ended);
    }
  }

  /** A client certificate proves who calls, too. */
  private Terms provenIfAllowed(URI uri) {
    return profile.base().mayProveTo(uri)
        ? terms
        : terms.securedBy(terms.security().as(Security.Identity.NOBODY));
  }

  private boolean isFirst() {
    boolean before = first;
    first = false;
    return before;
  }

  private Duration left(long begun) {
    Duration left = terms.timeout().minusNanos(begun - start);
    return left.isNegative() || left.isZero() ? Duration.ofMillis(1) : left;
  }

  private Exchange told(Exchange exchange) {
    if (heard) {
      surroundings.recorder().ended(exchange);
    }
    return exchange;
  }

  /** Waiting for memory is no time that a call takes. */
  private static long waitedNanos() {
    return CurrentCase.part(BodyBudget.Hold.class)
        .map(BodyBudget.Hold::waitedNanos)
        .orElse(0L);
  }
}
