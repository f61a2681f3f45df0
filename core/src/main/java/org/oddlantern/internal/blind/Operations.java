package org.oddlantern.internal.blind;

import java.io.IOException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.http.WireRequest;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Which operation something is that was asked. */
public final class Operations {

  private static final Pattern NAMED =
      Pattern.compile("\\s*(query|mutation|subscription)\\s+([_A-Za-z]\\w*).*", Pattern.DOTALL);

  private Operations() {}

  /** The operation of what was asked and answered. */
  public static OperationRecord of(Asked asked) {
    if (asked instanceof Exchange exchange) {
      WireReply reply = exchange.reply();
      WireRequest request = exchange.request();
      String method = request.method();
      String graphQl = graphQl(request);
      String template = exchange.origin().template();
      return new OperationRecord(
          exchange.origin().service(),
          method,
          graphQl.isEmpty() ? template.replaceFirst("\\?.*", "") : template + " " + graphQl,
          reply == null ? 0 : reply.status());
    }
    Look look = (Look) asked;
    return look.statement().isEmpty()
        ? new OperationRecord("", "", look.at(), 0)
        : new OperationRecord(look.at(), "", look.statement().strip().replaceAll("\\s+", " "), 0);
  }

  /** The JSON that a request carries; null if it carries none. */
  static @Nullable JsonNode sent(WireRequest request) {
    try {
      return request.body().isStreamed() || !request.body().parts().isEmpty()
          ? null
          : ReplyBody.json(request.headers(), request.body().bytes());
    } catch (IOException e) {
      return null;
    }
  }

  /** All operations of a GraphQL service have one address, and a name (GraphQL, section 2.3). */
  private static String graphQl(WireRequest request) {
    if (!request.method().equals("POST")) {
      return "";
    }
    JsonNode sent = sent(request);
    if (sent == null || !sent.path("query").isString()) {
      return "";
    }
    JsonNode named = sent.path("operationName");
    Matcher document = NAMED.matcher(sent.path("query").stringValue());
    return named.isString() ? named.stringValue() : document.matches() ? document.group(2) : "";
  }
}
