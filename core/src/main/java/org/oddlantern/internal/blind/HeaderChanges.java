package org.oddlantern.internal.blind;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
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
    byName.forEach((name, fields) -> {
      if (name.equals("set-cookie")) {
        fields.forEach(field -> flags(field, changes));
      }
      if (MEANING.contains(name) || name.startsWith("access-control-") || lookedAt.contains(name)) {
        change(fields.get(0), changes);
      }
    });
    return changes;
  }

  /** Where there is no body, nobody minds of which type it is. */
  private static boolean isOfBody(String name) {
    return name.equals("content-type") || name.equals("content-disposition");
  }

  private void change(Header header, List<Change> changes) {
    Spot spot = Spot.plain("header " + canonical(header.name()), null);
    Headers headers = reply.headers();
    changes.add(new Change(
        spot, ChangeKind.OTHER_TEXT, () -> with(headers.with(header.name(), other(header)))));
    changes.add(new Change(spot, ChangeKind.MISSING, () -> with(headers.without(header.name()))));
  }

  /** What a cookie may not be without is told by its flags (RFC 6265, section 4.1.2). */
  private void flags(Header header, List<Change> changes) {
    String cookie = header.value().replaceFirst("=.*", "").strip();
    for (String flag : FLAGS) {
      String without = header.value().replaceAll("(?i);\\s*" + flag + "(=[^;]*)?(?=;|$)", "");
      if (!without.equals(header.value())) {
        Spot spot = Spot.plain("cookie " + cookie + " " + flag, null);
        changes.add(new Change(spot, ChangeKind.MISSING, () -> with(replaced(header, without))));
      }
    }
  }

  private Headers replaced(Header header, String value) {
    return new Headers(reply.headers().fields().stream()
        .map(one -> one == header ? new Header(one.name(), value) : one)
        .toList());
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

  /** Names of headers know no case; reports tell one. */
  static String canonical(String name) {
    StringBuilder told = new StringBuilder();
    boolean first = true;
    for (char one : name.toLowerCase(Locale.ROOT).toCharArray()) {
      told.append(first ? Character.toUpperCase(one) : one);
      first = one == '-';
    }
    return told.toString().replace("Www-", "WWW-").replace("Etag", "ETag");
  }
}
