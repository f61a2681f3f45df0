package org.oddlantern.standin;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.internal.Callers;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.json.Finding;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpRequest;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpEntity;

/** Finds out whose a request is and what is answered to it, and lets its case know. Thread-safe. */
final class Reception {

  private static final String FORESEEN = "a request that the stand-in foresees";

  private final Guests guests = new Guests();
  private final Arrivals arrivals = new Arrivals();
  private final Patience patience = new Patience();
  private final List<Rule> rules = new CopyOnWriteArrayList<>();
  private volatile int limit;
  private volatile String name = "the stand-in";
  private volatile String url = "";
  private volatile boolean closed;
  private volatile @Nullable Callers callers;
  private volatile @Nullable DescribedAnswers described;

  Reception(int limit) {
    this.limit = limit;
  }

  void at(String address) {
    url = address;
  }

  void named(String other) {
    name = other;
  }

  String name() {
    return name;
  }

  void bodyLimit(int bytes) {
    limit = bytes;
  }

  /** Whose cases it serves; null outside a run. */
  void of(@Nullable Callers run) {
    if (run != null) {
      callers = run;
    }
  }

  void close() {
    closed = true;
    patience.close();
  }

  boolean isClosed() {
    return closed;
  }

  synchronized void answering(Rule rule) {
    for (Rule other : rules) {
      if (other.pattern().sense().equals(rule.pattern().sense())) {
        throw new IllegalArgumentException(
            "the pattern '%s' is answered already, as '%s'; what a single case wants instead is said with meanwhile(...)"
                .formatted(rule.pattern().text(), other.pattern().text()));
      }
    }
    rules.add(rule);
  }

  /** By a description, but for what is answered already. */
  synchronized void described(DescribedAnswers answers) {
    described = answers;
    for (Rule rule : answers.rules()) {
      boolean own = rules.stream()
          .anyMatch(other -> other.pattern().sense().equals(rule.pattern().sense()));
      if (!own) {
        rules.add(rule);
      }
    }
  }

  void meanwhile(CaseRecorder whose, Rule rule) {
    guests.of(whose).meanwhile(rule);
  }

  List<IncomingRequest> askedByAll() {
    return arrivals.since(null);
  }

  /** Those of a case; if others were received meanwhile that may be its own, it is unknown. */
  List<IncomingRequest> askedBy(CaseRecorder whose, AddressPattern wanted) {
    Callers run = callers;
    if (run == null || whose == CaseRecorder.NONE) {
      return arrivals.since(null);
    }
    Instant since = run.begunAt(whose);
    long unknown = guests.of(CaseRecorder.NONE).asked().since(since).stream()
        .filter(one -> wanted.match(one.method(), AddressPattern.pieces(one.path())) != null)
        .count();
    if (unknown > 0) {
      throw new IllegalStateException(
          whoseIsIt(unknown + (unknown == 1 ? " request" : " requests")));
    }
    return guests.of(whose).asked().since(null);
  }

  private String whoseIsIt(String requests) {
    return requests + " came to " + name
        + " that carried neither a trace nor the name of a case while several cases were running, so it is unknown whose they are; "
        + "let the service pass on the header traceparent, or mark the cases that use the stand-in @Occupies(\""
        + name + "\")";
  }

  /** The answer to a request. */
  Answer answer(ClassicHttpRequest came) throws IOException {
    Instant at = Instant.now();
    long nanos = System.nanoTime();
    Body body = body(came.getEntity());
    List<Header> fields = new ArrayList<>();
    for (var header : came.getHeaders()) {
      fields.add(new Header(header.getName(), String.valueOf(header.getValue())));
    }
    IncomingRequest request = new IncomingRequest(
        came.getMethod(), came.getPath(), new Headers(fields), body.bytes, Map.of());
    CaseRecorder whose = whose(fields);
    arrivals.add(request, at);
    guests.of(whose).asked().add(request, at);
    Told told = body.whole ? told(request, whose, at) : tooLarge();
    Duration took =
        Duration.ofNanos(System.nanoTime() - nanos).plus(told.answer.pace().after());
    hear(
        whose, request, new Visits(name, url).answered(request, told.answer, at, took), told.wrong);
    return told.answer;
  }

  private void hear(
      CaseRecorder whose, IncomingRequest request, Exchange exchange, @Nullable Finding wrong) {
    whose.ended(exchange);
    if (wrong != null) {
      whose.judged(exchange, List.of(new Verdict(FORESEEN, false, true, List.of(wrong))));
    }
    DescribedAnswers answers = described;
    List<Finding> otherwise =
        answers == null || wrong != null ? List.of() : answers.findings(exchange, url);
    if (!otherwise.isEmpty()) {
      whose.judged(exchange, List.of(new Verdict("asDescribed()", false, true, otherwise)));
    }
    Callers run = callers;
    if (run != null && (whose == CaseRecorder.NONE || whose == CaseRecorder.OVER)) {
      hearOfNobody(run, whose, request, exchange, wrong);
    }
  }

  /** What is wrong with a request of nobody is wrong with the run, and it may be what a case waits for. */
  private void hearOfNobody(
      Callers run,
      CaseRecorder whose,
      IncomingRequest request,
      Exchange exchange,
      @Nullable Finding wrong) {
    if (wrong != null) {
      run.problem(name + " was asked by a service: " + exchange.line() + ": wanted "
          + wrong.wanted() + ", got " + wrong.got()
          + (whose == CaseRecorder.OVER
              ? "; its case had ended"
              : "; it is unknown for which case"));
    }
    if (whose == CaseRecorder.NONE) {
      List<String> path = AddressPattern.pieces(request.path());
      Finding lost = Finding.of("whose it is", "a request of this case", whoseIsIt("1 request"));
      for (CaseRecorder one :
          guests.wanting(all -> Rule.last(all, request.method(), path) != null)) {
        one.ended(exchange);
        one.judged(exchange, List.of(new Verdict(FORESEEN, false, true, List.of(lost))));
      }
    }
  }

  /** The case that a request belongs to; nobody if that cannot be known. */
  private CaseRecorder whose(List<Header> fields) {
    Callers run = callers;
    if (run == null) {
      return CaseRecorder.NONE;
    }
    CaseRecorder named = run.whose(fields).orElse(null);
    if (named != null) {
      return named;
    }
    if (run.isLate(fields)) {
      return CaseRecorder.OVER;
    }
    List<CaseRecorder> underWay = List.copyOf(run.underWay());
    if (underWay.size() == 1) {
      return underWay.get(0);
    }
    List<CaseRecorder> occupying =
        underWay.stream().filter(one -> one.occupies(name)).toList();
    return occupying.size() == 1 ? occupying.get(0) : CaseRecorder.NONE;
  }

  private Told told(IncomingRequest request, CaseRecorder whose, Instant at) {
    List<String> path = AddressPattern.pieces(request.path());
    Guests.Guest guest = guests.of(whose);
    Rule.Match match = Rule.last(guest.rules(), request.method(), path);
    if (match == null) {
      match = Rule.best(rules, request.method(), path);
    }
    if (match == null) {
      return unforeseen(request);
    }
    Rule rule = match.rule();
    IncomingRequest asked = request.with(match.arguments());
    try {
      Answer answer = rule.computed()
          ? patience.answer(
              () -> rule.answer().apply(asked),
              place ->
                  hear(whose, request, new Visits(name, url).waiting(request, at, place), null))
          : rule.answer().apply(asked);
      if (answer == null) {
        throw new IllegalStateException(
            "it gave null; an answer is Answer.of(status), or silent()");
      }
      return new Told(answer.turn(guest.turn(rule)), null);
    } catch (RuntimeException | AssertionError e) {
      String pattern = rule.pattern().text();
      return new Told(
          Answer.of(500).text("the answer of the stand-in to " + pattern + " threw " + e),
          Finding.of("the answer to " + pattern, "an answer", "it threw " + e));
    }
  }

  private Told unforeseen(IncomingRequest request) {
    String known = rules.isEmpty()
        ? "nothing at all"
        : rules.stream().map(rule -> rule.pattern().text()).collect(Collectors.joining(", "));
    return new Told(
        Answer.of(501).text(name + " does not answer " + request + "; it answers " + known),
        Finding.of("the request", "one of: " + known, request.toString())
            .hint("say what is answered to it: answering(\"" + request.method() + " "
                + request.path() + "\", Answer.of(200))"));
  }

  private Told tooLarge() {
    return new Told(
        Answer.of(413).text("a request may have " + limit + " bytes here"),
        Finding.of(
            "the body", "at most " + limit + " bytes", "more; allow them with bodyLimit(bytes)"));
  }

  private Body body(@Nullable HttpEntity entity) throws IOException {
    if (entity == null) {
      return new Body(new byte[0], true);
    }
    int most = limit;
    InputStream stream = entity.getContent();
    byte[] bytes = stream.readNBytes(most);
    if (stream.read() < 0) {
      return new Body(bytes, true);
    }
    // who is still sending hears nothing, so some more is read before the answer
    stream.skip(1L << 26);
    return new Body(bytes, false);
  }

  /**
   * The body of a request.
   *
   * @param bytes what was read of it
   * @param whole whether that is all
   */
  private record Body(byte[] bytes, boolean whole) {}

  /**
   * What is answered.
   *
   * @param answer the answer
   * @param wrong what is wrong with the request; null if nothing is
   */
  private record Told(Answer answer, @Nullable Finding wrong) {}
}
