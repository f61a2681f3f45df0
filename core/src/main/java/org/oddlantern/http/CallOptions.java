package org.oddlantern.http;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.Listening;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Secret;

/** What accompanies a call and is not on the wire as such. */
record CallOptions(
    String name,
    @Nullable Credentials credentials,
    @Nullable Duration timeout,
    @Nullable Integer redirects,
    @Nullable Function<Reply, Call> undo,
    List<String> left,
    List<Secret> secrets,
    @Nullable Listening listening) {

  static final CallOptions NONE =
      new CallOptions("", null, null, null, null, List.of(), List.of(), null);

  CallOptions name(String words) {
    Needed.of(words, "named(words): words");
    return new CallOptions(words, credentials, timeout, redirects, undo, left, secrets, listening);
  }

  CallOptions credentials(@Nullable Credentials own) {
    return new CallOptions(name, own, timeout, redirects, undo, left, secrets, listening);
  }

  CallOptions timeout(Duration limit) {
    return new CallOptions(name, credentials, limit, redirects, undo, left, secrets, listening);
  }

  CallOptions redirects(int limit) {
    return new CallOptions(name, credentials, timeout, limit, undo, left, secrets, listening);
  }

  CallOptions undo(Function<Reply, Call> how) {
    Needed.of(how, "undoneBy(undo): undo");
    return new CallOptions(name, credentials, timeout, redirects, how, left, secrets, listening);
  }

  CallOptions leaving(String header) {
    List<String> more = new ArrayList<>(left);
    more.add(header);
    return new CallOptions(
        name, credentials, timeout, redirects, undo, List.copyOf(more), secrets, listening);
  }

  CallOptions secrets(List<Secret> known) {
    return new CallOptions(name, credentials, timeout, redirects, undo, left, known, listening);
  }

  CallOptions listening(Listening other) {
    return new CallOptions(name, credentials, timeout, redirects, undo, left, secrets, other);
  }
}
