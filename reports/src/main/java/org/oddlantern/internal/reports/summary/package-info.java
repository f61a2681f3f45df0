/** What came of a run in short: as JSON for dashboards, as Markdown for merge requests. */
@NullMarked
package org.oddlantern.internal.reports.summary;

import org.jspecify.annotations.NullMarked;
