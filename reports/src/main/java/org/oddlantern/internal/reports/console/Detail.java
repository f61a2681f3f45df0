package org.oddlantern.internal.reports.console;

/** How much a console tells. */
public enum Detail {
  /** What did not hold, and the end. */
  QUIET,
  /** A line for each case, what did not hold in full, and the end. */
  PLAIN,
  /** The same, and every exchange of every case. */
  EXCHANGES
}
