package org.oddlantern.internal.run;

/** Whether cases are done again, to see what nobody would notice. */
public enum BlindSpots {
  /** They are not. */
  NONE,
  /** They are; what one case watches by value is not tried in those after it. */
  ONCE,
  /** They are, each with everything. */
  ALL
}
