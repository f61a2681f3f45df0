package org.oddlantern.internal.reports;

import java.util.List;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.described.Facts;
import org.oddlantern.internal.described.Where;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.ExchangeRecord;

/**
 * Exchanges of a journal, as a description judges them.
 *
 * @param texts the texts of bodies, also of those that lie beside the journal
 */
record RecordedFacts(Function<BodyRecord, String> texts) {

  private static final int LONGEST = 4 << 20;

  /**
   * An exchange.
   *
   * @param one the exchange
   * @param address the address of its service; empty if nobody knows
   */
  Facts of(ExchangeRecord one, String address) {
    String base = address.isEmpty() ? base(one) : address;
    Facts.Sent sent = new Facts.Sent(
        one.method(),
        Where.of(one.url(), base, one.template()),
        one.requestHeaders(),
        body(one.requestBody()));
    return new Facts(
        sent,
        one.status() == 0
            ? null
            : new Facts.Came(one.status(), one.replyHeaders(), body(one.replyBody())));
  }

  /** What stands before the template in the address. */
  private static String base(ExchangeRecord one) {
    String path = one.template().replaceFirst("[?#].*", "");
    String url = one.url().replaceFirst("[?#].*", "");
    if (!path.startsWith("/")) {
      return "";
    }
    StringBuilder pattern = new StringBuilder();
    Matcher variable = Pattern.compile("\\{[^}]*}").matcher(path);
    int from = 0;
    while (variable.find()) {
      pattern.append(Pattern.quote(path.substring(from, variable.start()))).append("[^/]+");
      from = variable.end();
    }
    pattern.append(Pattern.quote(path.substring(from))).append('$');
    Matcher end = Pattern.compile(pattern.toString()).matcher(url);
    return end.find() ? url.substring(0, end.start()) : "";
  }

  private Facts.Body body(BodyRecord body) {
    List<Facts.Field> fields = body.parts().stream()
        .map(part -> new Facts.Field(part.name(), part.contentType(), part.text()))
        .toList();
    return new Facts.Body(body.bytes(), text(body), fields);
  }

  private @Nullable String text(BodyRecord body) {
    boolean known = body.text() != null || body.file() != null && !body.isPicture();
    return !known || body.bytes() > LONGEST ? null : texts.apply(body);
  }
}
