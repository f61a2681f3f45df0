package org.oddlantern.http;

import java.time.Duration;
import org.oddlantern.http.internal.Undo;

/** An undo that could not even be said: the function that makes the undoing call threw. */
record BrokenUndo(String call, Throwable reason) implements Undo {

  @Override
  public String line() {
    return "undo of " + call;
  }

  @Override
  public boolean isBroken() {
    return true;
  }

  @Override
  public Taken putBack(Duration limit) {
    return new Taken(
        null,
        "the function given to undoneBy threw " + reason.getClass().getSimpleName() + ": "
            + reason.getMessage());
  }
}
