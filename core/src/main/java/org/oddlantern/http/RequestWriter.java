package org.oddlantern.http;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Secret;

/**
 * Makes the request of a call. Later words win: the library's headers, the service's, the body's type,
 * credentials, the call's own; cookies join in; the finishing hook sees all of it.
 */
record RequestWriter(Profile profile, Surroundings surroundings) {

  WireRequest write(Call call, Credentials.Tokens tokens) {
    CaseRecorder recorder = surroundings.recorder();
    JsonMapping mapping = profile.mapping().hearing(secret -> recorder.secret(Secret.of(secret)));
    WireRequest plain = new WireRequest(
        call.method(),
        call.address().resolve(profile.url(), mapping),
        standard(call),
        call.body().content(mapping));
    Credentials credentials = credentials(call);
    profile.defaults().secrets().forEach(recorder::secret);
    call.options().secrets().forEach(recorder::secret);
    credentials.secrets().forEach(recorder::secret);
    WireRequest proven = credentials.on(plain, tokens);
    Headers headers = proven.headers().with(call.headers());
    for (String left : call.options().left()) {
      headers = headers.without(left);
    }
    WireRequest whole = new WireRequest(proven.method(), proven.uri(), headers, proven.body());
    return finished(isAnonymous(call) ? whole : fed(whole));
  }

  Credentials credentials(Call call) {
    Credentials own = call.options().credentials();
    return own == null ? profile.credentials() : own;
  }

  /** With the cookies that go there, those of the call winning. */
  WireRequest fed(WireRequest request) {
    String kept = surroundings.cookies().header(request.uri()).orElse("");
    if (kept.isEmpty()) {
      return request;
    }
    String own = request.headers().first("Cookie").orElse("");
    List<String> pairs = new ArrayList<>();
    for (String pair : kept.split("; ", -1)) {
      String name = pair.substring(0, pair.indexOf('=') + 1);
      if (!("; " + own).contains("; " + name)) {
        pairs.add(pair);
      }
    }
    if (!own.isEmpty()) {
      pairs.add(own);
    }
    return request.with("Cookie", String.join("; ", pairs));
  }

  WireRequest finished(WireRequest request) {
    return profile.finish() == null ? request : profile.finish().apply(request);
  }

  /** Whether somebody said that nobody calls, so that cookies are left out too. */
  private boolean isAnonymous(Call call) {
    return call.options().credentials() == Credentials.NONE;
  }

  private Headers standard(Call call) {
    Headers defaults = profile.defaults().headers();
    String type = call.body().contentType();
    String name = profile.defaults().caseHeader();
    String marker = name.isEmpty() ? "" : surroundings.recorder().marker().orElse("");
    if (type == null && marker.isEmpty()) {
      return defaults;
    }
    List<Header> fields = new ArrayList<>();
    if (type != null) {
      fields.add(new Header("Content-Type", type));
    }
    if (!marker.isEmpty()) {
      fields.add(new Header(name, marker));
    }
    return defaults.with(new Headers(fields));
  }
}
