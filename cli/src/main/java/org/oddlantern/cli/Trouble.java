package org.oddlantern.cli;

import java.io.PrintWriter;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.internal.plan.NothingSelected;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.schema.SchemaProblem;

/** Tells what kept a command from its work, and gives the exit status for it. */
final class Trouble {

  private Trouble() {}

  static int told(Exception e, PrintWriter err, boolean debug) {
    boolean foreseen = e instanceof Misuse
        || e instanceof SettingsProblem
        || e instanceof SchemaProblem
        || e instanceof PlanRefused
        || e instanceof NothingSelected;
    err.println(
        "odd-lantern: " + (foreseen ? e.getMessage() : "this should not have happened: " + e));
    if (debug) {
      e.printStackTrace(err);
    } else if (!foreseen) {
      err.println("--debug shows where.");
    }
    if (e instanceof NothingSelected) {
      return 3;
    }
    return foreseen ? 2 : 1;
  }
}
