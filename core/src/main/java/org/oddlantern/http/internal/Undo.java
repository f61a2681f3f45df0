package org.oddlantern.http.internal;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** How to put back what one call made, or to close what was opened. */
public interface Undo {

  /** The undoing call in one line, or the call for which there is none. */
  String line();

  /** Whether it would still be there after this program has ended. */
  default boolean outlivesRun() {
    return true;
  }

  /** Whether there is nothing to send, since it could not be made from the reply. */
  default boolean isBroken() {
    return false;
  }

  /** Sends the undoing call and waits no longer than the limit. */
  Taken putBack(Duration limit);

  /**
   * What came of it.
   *
   * @param exchange the undoing call as sent; null if there was none to send
   * @param problem why it could not be put back, in a sentence; empty if it was
   */
  record Taken(@Nullable Exchange exchange, String problem) {}
}
