package org.oddlantern.internal.reports.console;

/** How much a console tells. */
public enum Detail {
  /** What failed, and the end. */
  QUIET,
  /** A line for each case, what failed in full, and the end. */
  PLAIN,
  /** The same, and every exchange of every case. */
  EXCHANGES
}
