package org.oddlantern.http;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.oddlantern.evidence.Headers;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.json.Secret;

/**
 * Where a redirect leads (RFC 9110, section 15.4), and what may go there: to another origin nothing that
 * proves who calls.
 */
record Redirects(
    Profile.Base base, Credentials credentials, List<Secret> secrets, Credentials.Tokens tokens) {

  private static final Set<Integer> STATUSES = Set.of(301, 302, 303, 307, 308);

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
    return isKept(request.uri(), target)
        ? next.to(credentials.on(next, tokens).uri())
        : new WireRequest(next.method(), next.uri(), withoutProof(next.headers()), next.body());
  }

  /** Whether what proves who calls goes along. */
  boolean isKept(URI from, URI to) {
    return Sender.isSameOrigin(from, to) || base.mayProveTo(to);
  }

  private Headers withoutProof(Headers headers) {
    List<Secret> all = new ArrayList<>(secrets);
    all.addAll(credentials.secrets());
    return Proofs.without(headers, all);
  }

  private static boolean becomesGet(String method, int status) {
    boolean safe = method.equals("GET") || method.equals("HEAD");
    return !safe && (status == 303 || (status < 303 && method.equals("POST")));
  }

  private static URI target(WireRequest request, String location) {
    try {
      URI target = Address.resolved(request.uri(), location);
      return URI.create(Place.of(Profile.checked(target.toString())).url());
    } catch (IllegalArgumentException e) {
      throw new NoReply(
          request.line() + " was redirected to '" + location + "', which is no address", e);
    }
  }
}
