package org.oddlantern.internal.reports;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.SourceRecord;

/** About how many octets of a page a case takes, so that no page becomes too long for a browser. */
final class PageShare {

  private static final long CASE = 700;
  private static final long EXCHANGE = 1_900;
  private static final long LOOK = 900;
  private static final long LINE = 60;

  /** A body is laid out with an element for each line. */
  private static final long LAID_OUT = 3;

  private PageShare() {}

  static long of(CaseRecord one) {
    long octets = CASE + one.printed().length() + asked(one.exchanges(), one.queries());
    for (AttemptRecord earlier : one.earlier()) {
      octets += CASE + asked(earlier.exchanges(), earlier.queries());
    }
    SourceRecord source = one.source();
    return octets + (source == null ? 0 : LINE * source.lines().size());
  }

  private static long asked(List<ExchangeRecord> exchanges, List<LookRecord> looks) {
    long octets = 0;
    for (ExchangeRecord exchange : exchanges) {
      octets += EXCHANGE
          + LINE * (exchange.requestHeaders().size() + exchange.replyHeaders().size())
          + 2 * body(exchange.requestBody())
          + body(exchange.replyBody());
    }
    for (LookRecord look : looks) {
      octets += LOOK + LAID_OUT * look.answer().length();
    }
    return octets;
  }

  private static long body(BodyRecord body) {
    @Nullable String text = body.text();
    // a long one lies in a file of its own, of which the page shows the beginning
    return text == null ? Math.min(body.bytes(), 20_000) : LAID_OUT * text.length();
  }
}
