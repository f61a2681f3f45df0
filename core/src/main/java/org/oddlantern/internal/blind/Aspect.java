package org.oddlantern.internal.blind;

/** What of a place a change is about. */
enum Aspect {
  /** Whether it is there. */
  ABSENCE,
  /** Whether it is null. */
  NULL,
  /** What kind of value it is. */
  KIND,
  /** Which value it is. */
  VALUE,
  /** How many items it has. */
  SIZE,
  /** In which order they are, which counts for nothing. */
  ORDER
}
