package org.oddlantern.internal.run;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.CaseMarks;
import org.oddlantern.internal.plan.Position;

/** What the marks on a case make of it before it runs. */
record Marks(CaseMarks marks, Clock clock) {

  /** What comes of the case without running it; null if it is to run. */
  @Nullable
  Attempt attempt(Position position) {
    if (marks.pending()) {
      return Attempt.pending();
    }
    if (marks.skipped().isEmpty()) {
      return null;
    }
    LocalDate until = marks.until();
    if (until != null && LocalDate.now(clock.withZone(ZoneId.systemDefault())).isAfter(until)) {
      return Attempt.failed(
          "it was not to run until %s (%s), and that day has passed: let it run again, or move the day"
              .formatted(until, marks.skipped()),
          position.toString());
    }
    return Attempt.skipped(marks.skipped() + (until == null ? "" : ", until " + until));
  }
}
