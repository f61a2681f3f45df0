package org.oddlantern.http.internal;

import java.time.Duration;

/**
 * Closes something that a case or a supply has opened, with whatever else it has made.
 *
 * @param verb what is done to it: {@code close}, {@code end}
 * @param opened what was opened, which says what it is
 * @param outlivesRun whether it would still be there after this program has ended
 */
public record Closing(String verb, AutoCloseable opened, boolean outlivesRun) implements Undo {

  @Override
  public String line() {
    return verb + " " + opened;
  }

  @Override
  public Taken putBack(Duration limit) {
    try {
      opened.close();
      return new Taken(null, "");
    } catch (Exception e) {
      return new Taken(null, String.valueOf(e.getMessage()));
    }
  }
}
