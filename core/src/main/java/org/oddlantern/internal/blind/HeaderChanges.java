package org.oddlantern.internal.blind;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.HeaderRules;
import org.oddlantern.http.internal.WireReply;

/**
 * How the headers of a reply can be changed: those with a meaning of their own, and those that the case
 * looked at.
 *
 * @param reply the reply
 * @param lookedAt names of headers that the case looked at, in lower case
 */
record HeaderChanges(WireReply reply, Set<String> lookedAt) {

  private static final Set<String> MEANING = Set.of(
      "location",
      "etag",
      "link",
      "content-type",
      "cache-control",
      "allow",
      "retry-after",
      "www-authenticate",
      "content-disposition",
      "deprecation",
      "sunset");

  private static final List<String> FLAGS = List.of("HttpOnly", "Secure", "SameSite");

  List<Change> all() {
    Map<String, List<Header>> byName = new LinkedHashMap<>();
    for (Header header : reply.headers().fields()) {
      byName
          .computeIfAbsent(header.name().toLowerCase(Locale.ROOT), any -> new ArrayList<>())
          .add(header);
    }
    List<Change> changes = new ArrayList<>();
    for (int i = 0; i < reply.headers().fields().size(); i++) {
      if (reply.headers().fields().get(i).name().equalsIgnoreCase("Set-Cookie")) {
        flags(i, changes);
      }
    }
    byName.forEach((name, fields) -> {
      if (isTried(name)) {
        change(fields.get(0), changes);
      }
    });
    return changes;
  }

  private boolean isTried(String name) {
    if (lookedAt.contains(name)) {
      return true;
    }
    // where there is no body, nobody minds of which type it is
    boolean ofBody = name.equals("content-type") || name.equals("content-disposition");
    return (MEANING.contains(name) || name.startsWith("access-control-"))
        && !(ofBody && reply.body().length == 0);
  }

  private void change(Header header, List<Change> changes) {
    Spot spot = Spot.plain("header " + told(header.name()), null);
    Headers headers = reply.headers();
    changes.add(new Change(
        spot, ChangeKind.OTHER_TEXT, () -> with(headers.with(header.name(), other(header)))));
    changes.add(new Change(spot, ChangeKind.MISSING, () -> with(headers.without(header.name()))));
  }

  /** What a cookie may not be without is told by its flags (RFC 6265, section 4.1.2). */
  private void flags(int index, List<Change> changes) {
    Header header = reply.headers().fields().get(index);
    String cookie = header.value().replaceFirst("=.*", "").strip();
    for (String flag : FLAGS) {
      String without = header.value().replaceAll("(?i);\\s*" + flag + "(=[^;]*)?(?=;|$)", "");
      if (!without.equals(header.value())) {
        Spot spot = Spot.plain("cookie " + cookie + " " + flag, null);
        changes.add(new Change(spot, ChangeKind.MISSING, () -> with(replaced(index, without))));
      }
    }
  }

  private Headers replaced(int index, String value) {
    List<Header> fields = new ArrayList<>(reply.headers().fields());
    fields.set(index, new Header(fields.get(index).name(), value));
    return new Headers(fields);
  }

  private WireReply with(Headers headers) {
    return new WireReply(reply.status(), reply.reason(), headers, reply.body());
  }

  private static String other(Header header) {
    if (header.name().equalsIgnoreCase("Content-Type")) {
      return header.value().startsWith("text/plain") ? "application/json" : "text/plain";
    }
    return OtherText.of(header.value());
  }

  /** As people know it. */
  private static String told(String name) {
    return HeaderRules.capitalised(name).replace("Www-", "WWW-").replace("Etag", "ETag");
  }
}
