package org.oddlantern.internal.blind;

import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What the body of a reply is. */
final class ReplyBody {

  private ReplyBody() {}

  /** Its JSON; null if it is none. */
  static @Nullable JsonNode json(Headers headers, byte[] body) {
    String type = headers.first("Content-Type").orElse("");
    boolean claimed =
        type.contains("json") && !type.contains("ndjson") && !type.contains("json-seq");
    if (body.length == 0 || !claimed && !looksLikeJson(body)) {
      return null;
    }
    try {
      return JsonMapping.standard().parse(body);
    } catch (NotJson e) {
      return null;
    }
  }

  private static boolean looksLikeJson(byte[] body) {
    for (byte one : body) {
      if (!Character.isWhitespace(one)) {
        return one == '{' || one == '[';
      }
    }
    return false;
  }

  /** Its text; null if it is none. */
  static @Nullable String text(WireReply reply) {
    BodyText text = BodyText.of(reply.headers().first("Content-Type").orElse(""), reply.body());
    return text.problem().isEmpty() ? text.text() : null;
  }
}
