package org.oddlantern.internal.run;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.internal.Described;
import org.oddlantern.http.internal.DescribedBy;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.json.Finding;

/**
 * Holds what a case asked against the descriptions of services.
 *
 * @param broadcast hears of one that cannot be used
 */
record AsDescribed(Broadcast broadcast) {

  /** What came of it; null if there is nothing to say. */
  @Nullable
  Verdict verdict(LogEntry entry) {
    return entry.asked instanceof Exchange exchange && exchange.fault() == null
        ? verdict(exchange)
        : null;
  }

  private @Nullable Verdict verdict(Exchange exchange) {
    Described described = exchange.origin().described();
    if (described == null || described.judge() == DescribedBy.Judge.OFF) {
      return null;
    }
    boolean must = described.judge() == DescribedBy.Judge.MUST;
    try {
      List<Finding> findings = described.deviations(exchange, KnownDescriptions.current()).stream()
          .map(AsDescribed::finding)
          .toList();
      return findings.isEmpty() && !must ? null : new Verdict("asDescribed()", !must, findings);
    } catch (DescriptionProblem e) {
      broadcast.problemOnce(String.valueOf(e.getMessage()));
      return null;
    }
  }

  private static Finding finding(Deviation deviation) {
    return deviation.proposal().isThere()
        ? deviation
            .finding()
            .hint("to say so, add at " + deviation.proposal().place() + ":\n"
                + deviation.proposal().lines())
        : deviation.finding();
  }
}
