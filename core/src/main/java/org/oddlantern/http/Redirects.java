package org.oddlantern.http;

import java.net.URI;
import java.util.List;
import java.util.Set;
import org.oddlantern.json.Secret;

/**
 * Where a redirect leads (RFC 9110, section 15.4), and what may go there: to another origin nothing that
 * proves who calls.
 */
record Redirects(Credentials credentials, List<Secret> secrets, Credentials.Tokens tokens) {

  private static final Set<Integer> STATUSES = Set.of(301, 302, 303, 307, 308);
  private static final List<String> PROOFS =
      List.of("Authorization", "Proxy-Authorization", "Cookie");

  boolean isRedirect(WireReply reply) {
    return STATUSES.contains(reply.status())
        && reply.headers().first("Location").isPresent();
  }

  WireRequest next(WireRequest request, WireReply reply) {
    URI target = target(request, reply.headers().first("Location").orElse(""));
    WireRequest next = becomesGet(request.method(), reply.status())
        ? new WireRequest(
            request.method().equals("HEAD") ? "HEAD" : "GET",
            target,
            request.headers().without("Content-Type"),
            Content.NONE)
        : request.to(target);
    return Sender.isSameOrigin(request.uri(), target)
        ? next.to(credentials.on(next, tokens).uri())
        : withoutProof(next);
  }

  private WireRequest withoutProof(WireRequest request) {
    Headers headers = request.headers();
    for (String name : PROOFS) {
      headers = headers.without(name);
    }
    for (Header header : headers.fields()) {
      boolean secret = secrets.stream().anyMatch(one -> header.value().contains(one.reveal()))
          || credentials.secrets().stream().anyMatch(one -> header.value().contains(one.reveal()));
      headers = secret ? headers.without(header.name()) : headers;
    }
    return new WireRequest(request.method(), request.uri(), headers, request.body());
  }

  private static boolean becomesGet(String method, int status) {
    boolean safe = method.equals("GET") || method.equals("HEAD");
    return !safe && (status == 303 || (status < 303 && method.equals("POST")));
  }

  private static URI target(WireRequest request, String location) {
    try {
      URI target = Address.resolved(request.uri(), location);
      return URI.create(Profile.checked(target.toString()));
    } catch (IllegalArgumentException e) {
      throw new NoReply(
          request.line() + " was redirected to '" + location + "', which is no address", e);
    }
  }
}
