package org.oddlantern.cli;

import java.io.PrintStream;
import java.util.Locale;
import java.util.stream.Stream;
import org.oddlantern.internal.reports.console.Style;

/**
 * Where a command prints.
 *
 * @param out the standard output
 * @param debug whether stack traces and a log of connections are wanted
 */
record Terminal(PrintStream out, boolean debug) {

  private static final int USUAL_COLUMNS = 80;

  /** Colour, width and a live line on a terminal only; no colour where NO_COLOR is set. */
  Style style() {
    boolean terminal = Boolean.getBoolean("odd-lantern.terminal");
    String forbidden = System.getenv("NO_COLOR");
    return new Style(
        terminal && (forbidden == null || forbidden.isEmpty()),
        terminal ? columns() : 0,
        terminal && !isUtf8(),
        terminal && !"dumb".equals(System.getenv("TERM")) && System.getenv("CI") == null);
  }

  /** Shows where something went wrong that has been told in a sentence. */
  void tellCause(Throwable cause) {
    if (debug) {
      cause.printStackTrace(out);
    }
  }

  private static int columns() {
    int told = Integer.getInteger("odd-lantern.columns", USUAL_COLUMNS);
    return told < 40 ? USUAL_COLUMNS : told;
  }

  /** As POSIX has it: the first of these that is set says which characters there are. */
  private static boolean isUtf8() {
    if (System.getProperty("os.name", "").toLowerCase(Locale.ROOT).contains("windows")) {
      return true;
    }
    return Stream.of("LC_ALL", "LC_CTYPE", "LANG")
        .map(System::getenv)
        .filter(value -> value != null && !value.isEmpty())
        .findFirst()
        .filter(value -> value.toLowerCase(Locale.ROOT).matches(".*utf-?8.*"))
        .isPresent();
  }
}
