package org.oddlantern.http;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Cookie;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.internal.Described;
import org.oddlantern.http.internal.DescribedBy;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.Listening;
import org.oddlantern.http.internal.Settling;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.http.internal.Terms;
import org.oddlantern.http.internal.TokenStore;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.TimeLeft;
import org.oddlantern.internal.described.DescribedService;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.path.TreePath;

/** Sends one call of a service: with its credentials, by way of its redirects, under its terms. */
final class Sender {

  private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS", "TRACE");

  private final Profile profile;
  private final Surroundings surroundings;
  private final RequestWriter writer;
  private final Answering answering;

  Sender(Profile profile, Surroundings surroundings) {
    this(profile, surroundings, surroundings.recorder().answering());
  }

  private Sender(Profile profile, Surroundings surroundings, Answering answering) {
    this.profile = profile;
    this.surroundings = surroundings;
    this.answering = answering;
    this.writer = new RequestWriter(profile, surroundings);
  }

  /** One whose calls are no questions of the case, but part of one. */
  Sender asking() {
    return new Sender(profile, surroundings, Answering.LIVE);
  }

  Reply send(Call call) {
    refuseUnsafe(call);
    Exchange exchange = deliver(call, call.options().timeout(), true);
    WireReply wire = replyOf(exchange);
    boolean graphQl = call.body() instanceof Body.GraphQlQuery;
    Attention attention = new Attention(exchange, wire, profile.mapping(), standing(), graphQl);
    boolean dueAtOnce = !surroundings.recorder().owes(exchange, attention);
    Reply reply =
        new Reply(exchange, wire, profile.mapping(), attention, surroundings.recorder(), dueAtOnce);
    noteUndo(call, reply, wire.status());
    return reply;
  }

  /** Sends a call, written before, whose reply owes nothing by itself. */
  Reply sendUnowed(Call call, WireRequest request) {
    Exchange exchange = deliver(call, request, call.options().timeout(), true);
    Reply reply =
        Reply.unasked(exchange, replyOf(exchange), profile.mapping(), surroundings.recorder());
    noteUndo(call, reply, replyOf(exchange).status());
    return reply;
  }

  /** Sends a call to which no reply must come within a time. */
  void unanswered(Call call, Duration limit) {
    refuseUnsafe(call);
    String words = "no reply within " + limit.toMillis() + " ms";
    try {
      Exchange exchange = deliver(call, limit, true);
      WireReply wire = replyOf(exchange);
      Reply reply = Reply.unasked(exchange, wire, profile.mapping(), surroundings.recorder());
      Verdict broken = new Verdict(
          words,
          false,
          List.of(Finding.of(
              "the reply",
              words,
              reply.summary() + ", after " + exchange.took().toMillis() + " ms")));
      surroundings.recorder().judged(exchange, List.of(broken));
      throw new CheckFailed(exchange.line(), List.of(broken));
    } catch (NoReply e) {
      Exchange late = e.late();
      if (late == null) {
        throw e;
      }
      surroundings.recorder().judged(late, List.of(new Verdict(words, false, List.of())));
    }
  }

  /** What a check that is due asks itself owes nothing, or it would never end. */
  private List<Check> standing() {
    return Settling.isNow() ? List.of() : profile.checks();
  }

  /** Sends an undoing call, of which no case hears any more. */
  Exchange putBack(Call call, Duration limit) {
    return deliver(call, limit, false);
  }

  /** The request as it would be sent now; refused if it may not be sent at all. */
  WireRequest written(Call call) {
    refuseUnsafe(call);
    return preview(call);
  }

  /** The request as it would be sent now. */
  WireRequest preview(Call call) {
    return writer.write(call, this::token);
  }

  private Exchange deliver(Call call, @Nullable Duration limit, boolean heard) {
    return deliver(call, preview(call), limit, heard);
  }

  private Exchange deliver(
      Call call, WireRequest request, @Nullable Duration limit, boolean heard) {
    Duration own = limit == null ? profile.terms().timeout() : limit;
    Listening listening = call.options().listening();
    Duration most = listening == null ? own : listening.limit();
    Terms terms = profile.terms().within(heard ? TimeLeft.cut(most) : most).listening(listening);
    Travel travel = new Travel(
        profile, surroundings, origin(call), terms, heard ? answering : Answering.LIVE, heard);
    Exchange exchange = travel.exchange(request);
    Credentials.TokenCall source = writer.credentials(call).source();
    if (source != null && replyOf(exchange).status() == 401 && !provesItself(call)) {
      exchange = travel.exchange(writer.write(call, any -> renewed(source, request)));
    }
    Integer stops = call.options().redirects();
    return follow(call, exchange, travel, stops == null ? profile.redirects() : stops);
  }

  private Exchange.Origin origin(Call call) {
    return new Exchange.Origin(
        call.options().name(),
        profile.base().name(),
        template(call),
        false,
        profile.base().traces(),
        described());
  }

  private @Nullable Described described() {
    DescribedBy by = profile.base().described();
    return by == null
        ? null
        : new Described(
            new DescribedService(
                profile.base().name(), profile.url(), by.from(), () -> description(by.from())),
            by.judge());
  }

  /** The text of the service's own description, of which no case hears. */
  private String description(String path) {
    Sender sender =
        new Sender(profile.base(profile.base().undescribed()), surroundings, Answering.LIVE);
    Exchange exchange;
    try {
      exchange = sender.deliver(Call.get(path), null, false);
    } catch (NoReply e) {
      throw new DescriptionProblem(path, String.valueOf(e.getMessage()));
    }
    WireReply reply = replyOf(exchange);
    if (reply.status() / 100 != 2) {
      throw new DescriptionProblem(
          path,
          exchange.line() + " was answered " + reply.statusLine() + ", not with a description");
    }
    return BodyText.of(reply.headers().first("Content-Type").orElse(""), reply.body())
        .text();
  }

  /** Without the address of the service, where a call says it itself, or a page that leads to the next. */
  private String template(Call call) {
    String template = call.address().template().toString();
    String url = profile.url();
    boolean own = template.startsWith(url)
        && (template.length() == url.length() || "/?".indexOf(template.charAt(url.length())) >= 0);
    return own ? template.substring(url.length()) : template;
  }

  private Exchange follow(Call call, Exchange first, Travel travel, int limit) {
    if (limit == 0) {
      return first;
    }
    Redirects redirects =
        new Redirects(profile.base(), writer.credentials(call), secrets(call), this::token);
    Set<String> setOnTheWay = new HashSet<>();
    Exchange exchange = first;
    for (int count = 0; redirects.isRedirect(replyOf(exchange)); count++) {
      if (count == limit) {
        throw new NoReply(String.format(
            Locale.ROOT,
            "%s was redirected more than %d times, the last time to %s: the redirects may run in a circle; allow more, or look at them with followingRedirects(0)",
            first.line(),
            limit,
            replyOf(exchange).headers().first("Location").orElse("")));
      }
      WireRequest next = redirects.next(exchange.request(), replyOf(exchange));
      if (!surroundings.readOnly().isEmpty() && !SAFE.contains(next.method())) {
        throw readOnly(next.line());
      }
      Cookie.in(replyOf(exchange).headers()).forEach(cookie -> setOnTheWay.add(cookie.name()));
      WireRequest baked = redirects.isKept(exchange.request().uri(), next.uri())
          ? writer.withOwnCookies(call, next)
          : next;
      exchange = travel.exchange(writer.finished(writer.fed(call, baked, setOnTheWay)));
    }
    return exchange;
  }

  private List<Secret> secrets(Call call) {
    return Stream.concat(profile.defaults().secrets().stream(), call.options().secrets().stream())
        .toList();
  }

  private void refuseUnsafe(Call call) {
    if (!surroundings.readOnly().isEmpty()
        && !SAFE.contains(call.method().toUpperCase(Locale.ROOT))) {
      throw readOnly(call.toString());
    }
  }

  private NotSent readOnly(String call) {
    return new NotSent(call + " was not sent: " + surroundings.readOnly()
        + ", so only GET, HEAD, OPTIONS and TRACE are sent there");
  }

  private Secret token(Credentials.TokenCall source) {
    Object key = key(source);
    return known(key, () -> surroundings.tokens().current(key, () -> fetched(source)));
  }

  private Secret known(Object key, Callable<Secret> tokens) {
    return answering
        .answer(Question.of(Secret.class, Question.Kind.GIVEN, "a token by " + key), tokens)
        .orThrow();
  }

  /** A token instead of the one that was refused. */
  private Secret renewed(Credentials.TokenCall source, WireRequest refused) {
    String header = refused.headers().first("Authorization").orElse("");
    Secret old = Secret.of(header.substring(header.indexOf(' ') + 1));
    Object key = key(source);
    return known(key, () -> surroundings.tokens().renewed(key, old, () -> fetched(source)));
  }

  private static boolean provesItself(Call call) {
    return call.headers().first("Authorization").isPresent();
  }

  /** Tokens fetched by the same request are the same token, whoever wrote the call. */
  private Object key(Credentials.TokenCall source) {
    WireRequest request = anonymous().writer.write(source.call(), token -> Secret.of(""));
    byte[] body;
    try {
      body = request.body().bytes();
    } catch (IOException e) {
      throw new NotSent("the token cannot be fetched: " + e.getMessage());
    }
    return List.of(
        request.line(),
        request.headers().first("Authorization").orElse(""),
        new String(body, StandardCharsets.ISO_8859_1));
  }

  private TokenStore.Token fetched(Credentials.TokenCall source) {
    Call call = source.call();
    Exchange exchange = anonymous().deliver(call, call.options().timeout(), true);
    Reply reply =
        Reply.unasked(exchange, replyOf(exchange), profile.mapping(), surroundings.recorder());
    if (reply.status() >= 300) {
      throw new NotSent("the token for " + profile.url() + " could not be fetched: "
          + exchange.line() + " was answered " + reply.summary());
    }
    try {
      Secret token = reply.valueAt(source.path(), Secret.class);
      FoundNode seconds = TreePath.of("$.expires_in").findOne(Trees.of(reply.json()));
      return new TokenStore.Token(
          token,
          seconds.value().isIntegralNumber()
              ? exchange.sentAt().plusSeconds(seconds.value().asLong())
              : null);
    } catch (CheckFailed e) {
      throw new NotSent(
          "the token for " + profile.url() + " could not be fetched: " + e.getMessage());
    }
  }

  private Sender anonymous() {
    Profile nobody = profile.credentials(Credentials.NONE).checks(List.of());
    return new Sender(nobody, surroundings, Answering.LIVE);
  }

  static WireReply replyOf(Exchange exchange) {
    WireReply reply = exchange.reply();
    if (reply == null) {
      throw new IllegalStateException("an exchange without a fault has a reply");
    }
    return reply;
  }

  private void noteUndo(Call call, Reply reply, int status) {
    Function<Reply, Call> undo = call.options().undo();
    if (undo == null || status < 200 || status >= 300) {
      return;
    }
    try {
      Call back = undo.apply(reply);
      Call credited = back.options().credentials() == null
          ? back.with(back.options().credentials(call.options().credentials()))
          : back;
      surroundings
          .recorder()
          .undoNoted(new PlannedUndo(this, credited, preview(credited).line()));
    } catch (RuntimeException | AssertionError e) {
      surroundings.recorder().undoNoted(new BrokenUndo(call.toString(), e));
    }
  }

  static boolean isSameOrigin(URI one, URI other) {
    return one.getScheme().equalsIgnoreCase(other.getScheme())
        && String.valueOf(one.getHost()).equalsIgnoreCase(other.getHost())
        && port(one) == port(other);
  }

  private static int port(URI uri) {
    return uri.getPort() >= 0
        ? uri.getPort()
        : uri.getScheme().equalsIgnoreCase("https") ? 443 : 80;
  }
}
