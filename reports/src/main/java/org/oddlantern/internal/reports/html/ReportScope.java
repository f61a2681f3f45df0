package org.oddlantern.internal.reports.html;

import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.reports.Comparison;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunHistory;

/**
 * How much a report tells.
 *
 * @param pages of which cases
 * @param comparison what is different from an earlier run; null if nobody asked
 * @param history earlier runs; null if nobody asked
 */
public record ReportScope(
    PageDetail pages,
    @Nullable Comparison comparison,
    @Nullable RunHistory history) {

  /** Every case of this run alone. */
  public static final ReportScope STANDARD = new ReportScope(PageDetail.ALL, null, null);
}
