package org.oddlantern.internal.reports;

/** How much the pages of a report tell. */
public enum PageDetail {
  /** How many passed and how many did not, suite by suite; nothing that was sent or came. */
  COUNTS,
  /** The cases that failed in full, the others by their titles. */
  FAILURES,
  /** Every case in full. */
  ALL
}
