package org.oddlantern.http;

import java.util.List;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.json.Secret;

/** What in a request proves who calls, and must not go to another origin. */
final class Proofs {

  private static final List<String> NAMES =
      List.of("Authorization", "Proxy-Authorization", "Cookie");

  private Proofs() {}

  /** The headers without those that prove, by their name or by a secret in them. */
  static Headers without(Headers headers, List<Secret> secrets) {
    Headers left = headers;
    for (String name : NAMES) {
      left = left.without(name);
    }
    for (Header header : left.fields()) {
      if (secrets.stream().anyMatch(one -> header.value().contains(one.reveal()))) {
        left = left.without(header.name());
      }
    }
    return left;
  }
}
