package org.oddlantern.cli;

import java.io.PrintStream;
import org.oddlantern.reports.console.Style;

/**
 * Where a verb prints.
 *
 * @param out the standard output
 */
record Terminal(PrintStream out) {

  /** Colour on a terminal only, and never where NO_COLOR is set. */
  Style style() {
    String forbidden = System.getenv("NO_COLOR");
    return new Style(
        Boolean.getBoolean("odd-lantern.terminal") && (forbidden == null || forbidden.isEmpty()));
  }
}
