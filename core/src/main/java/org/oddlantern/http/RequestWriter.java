package org.oddlantern.http;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.http.internal.Caller;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;

/**
 * Makes the request of a call. Later words win: the library's headers, the service's, the body's type,
 * credentials, the call's own; cookies join in; the finishing hook sees all of it.
 */
record RequestWriter(Profile profile, Surroundings surroundings) {

  WireRequest write(Call call, Credentials.Tokens tokens) {
    return finished(fed(call, whole(call, tokens), Set.of()));
  }

  private WireRequest whole(Call call, Credentials.Tokens tokens) {
    CaseRecorder recorder = surroundings.recorder();
    JsonMapping mapping = profile.mapping().hearing(secret -> recorder.secret(Secret.of(secret)));
    Place place = Place.of(call.address().resolve(profile.url(), mapping));
    URI uri = URI.create(place.url());
    WireRequest plain =
        new WireRequest(call.method(), uri, standard(call, uri), call.body().content(mapping));
    Credentials credentials =
        place.credentials() == Credentials.NONE ? credentials(call) : place.credentials();
    profile.defaults().secrets().forEach(recorder::secret);
    call.options().secrets().forEach(recorder::secret);
    credentials.secrets().forEach(recorder::secret);
    WireRequest proven = credentials.on(plain, tokens);
    Headers headers = proven.headers().with(call.headers());
    for (String left : call.options().left()) {
      headers = headers.without(left);
    }
    return new WireRequest(proven.method(), proven.uri(), headers, proven.body());
  }

  /** Those of the call, else those of the service, which stay with the service. */
  Credentials credentials(Call call) {
    Credentials own = call.options().credentials();
    if (own != null) {
      return own;
    }
    boolean abroad = call.address().isAbsolute()
        && !profile.base().mayProveTo(call.address().resolve(profile.url(), profile.mapping()));
    return abroad ? Credentials.NONE : profile.credentials();
  }

  /**
   * With the cookies that go there, those of the call winning over those that were kept before, but not
   * over those that a reply on the way has set.
   */
  WireRequest fed(Call call, WireRequest request, Set<String> setOnTheWay) {
    if (isAnonymous(call)) {
      return request;
    }
    List<String> kept = surroundings.cookies().pairs(request.uri());
    Optional<String> written = request.headers().first("Cookie");
    if (kept.isEmpty() && written.isEmpty()) {
      return request;
    }
    List<String> own = written.stream()
        .flatMap(line -> Stream.of(line.split(";\\s*", -1)))
        .filter(pair -> !setOnTheWay.contains(name(pair)))
        .toList();
    Set<String> named = own.stream().map(RequestWriter::name).collect(Collectors.toSet());
    List<String> pairs = new ArrayList<>();
    for (String pair : kept) {
      if (!named.contains(name(pair))) {
        pairs.add(pair);
      }
    }
    pairs.addAll(own);
    return pairs.isEmpty()
        ? new WireRequest(
            request.method(), request.uri(), request.headers().without("Cookie"), request.body())
        : request.with("Cookie", String.join("; ", pairs));
  }

  private static String name(String pair) {
    int equals = pair.indexOf('=');
    return (equals < 0 ? pair : pair.substring(0, equals)).strip();
  }

  /** What the call itself says of cookies, as it may go where a redirect leads. */
  WireRequest withOwnCookies(Call call, WireRequest request) {
    Headers headers = request.headers().without("Cookie");
    String own = call.headers()
        .first("Cookie")
        .or(() -> profile.defaults().headers().first("Cookie"))
        .orElse("");
    boolean left = call.options().left().stream().anyMatch("Cookie"::equalsIgnoreCase);
    return new WireRequest(
        request.method(),
        request.uri(),
        own.isEmpty() || left ? headers : headers.with("Cookie", own),
        request.body());
  }

  WireRequest finished(WireRequest request) {
    return profile.finish() == null ? request : profile.finish().apply(request);
  }

  /** Whether somebody said that nobody calls, so that cookies are left out too. */
  private boolean isAnonymous(Call call) {
    return call.options().credentials() == Credentials.NONE;
  }

  private Headers standard(Call call, URI uri) {
    Headers defaults = profile.base().mayProveTo(uri)
        ? profile.defaults().headers()
        : Proofs.without(profile.defaults().headers(), profile.defaults().secrets());
    if (call.options().listening() != null) { // what is compressed cannot be heard as it comes
      defaults = defaults.without("Accept-Encoding");
    }
    String type = call.body().contentType();
    List<Header> fields = new ArrayList<>();
    if (type != null) {
      fields.add(new Header("Content-Type", type));
    }
    surroundings.recorder().caller().ifPresent(caller -> add(caller, fields));
    return fields.isEmpty() ? defaults : defaults.with(new Headers(fields));
  }

  private void add(Caller caller, List<Header> fields) {
    Profile.Defaults defaults = profile.defaults();
    if (!defaults.caseHeader().isEmpty()) {
      fields.add(new Header(defaults.caseHeader(), caller.marker()));
    }
    if (defaults.traced() && defaults.headers().first(Caller.HEADER).isEmpty()) {
      boolean recorded = surroundings.readOnly().isEmpty();
      fields.add(new Header(Caller.HEADER, caller.parent(recorded)));
    }
  }
}
