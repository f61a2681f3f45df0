package org.oddlantern.standin;

import java.time.Duration;
import org.oddlantern.http.internal.Undo;

/** Closes a stand-in with whatever was made with it. */
record Closing(StandIn standIn) implements Undo {

  @Override
  public String line() {
    return "close " + standIn;
  }

  @Override
  public boolean outlivesRun() {
    return false;
  }

  @Override
  public Taken putBack(Duration limit) {
    try {
      standIn.close();
      return new Taken(null, "");
    } catch (IllegalStateException e) {
      return new Taken(null, String.valueOf(e.getMessage()));
    }
  }
}
