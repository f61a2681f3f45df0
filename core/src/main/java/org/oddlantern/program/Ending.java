package org.oddlantern.program;

import java.time.Duration;
import org.oddlantern.http.internal.Undo;

/** Ends a program with whatever was made with it. */
record Ending(RunningProgram program) implements Undo {

  @Override
  public String line() {
    return "end " + program;
  }

  @Override
  public boolean outlivesRun() {
    return !program.isWatched();
  }

  @Override
  public Taken putBack(Duration limit) {
    try {
      program.close();
      return new Taken(null, "");
    } catch (ProgramProblem e) {
      return new Taken(null, String.valueOf(e.getMessage()));
    }
  }
}
