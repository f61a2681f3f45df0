package org.oddlantern.internal.reports;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;

/**
 * What went wrong beside the cases.
 *
 * @param problems what no case can be blamed for, in sentences
 * @param underWay the cases that began and did not end
 */
record Troubles(List<String> problems, List<RunEvent.CaseBegan> underWay) {

  private static final int MOST_UNDER_WAY = 8;

  /** How far a run came that has no end, in a sentence that names the cases that were under way. */
  String cutOff(List<CaseRecord> finished, int planned) {
    String under = underWay.stream()
        .limit(MOST_UNDER_WAY)
        .map(one -> one.suite() + ": " + one.title())
        .collect(Collectors.joining("; "));
    int more = underWay.size() - MOST_UNDER_WAY;
    return String.format(
            Locale.ROOT,
            "the run was cut off after %d of %s",
            finished.stream().filter(one -> one.kind() == RecordKind.CASE).count(),
            Amounts.of(planned, "case"))
        + (under.isEmpty() ? "" : "; under way: " + under)
        + (more > 0 ? String.format(Locale.ROOT, " and %d more", more) : "");
  }
}
