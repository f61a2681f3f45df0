package org.oddlantern.http.internal;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.oddlantern.http.Exchange;
import org.oddlantern.http.Verdict;
import org.oddlantern.json.Secret;

/**
 * Hears what a case does with its services. Called from the thread that does it, which need not be the
 * one that runs the case; must not throw.
 */
public interface CaseRecorder {

  /** Hears nothing: what is used outside a run. */
  CaseRecorder NONE = new CaseRecorder() {};

  /** The text that names run and case in a header of every call; empty for none. */
  default Optional<String> marker() {
    return Optional.empty();
  }

  /** A call has ended, with a reply or without. */
  default void ended(Exchange exchange) {}

  /** Checks were made on the reply of an exchange. */
  default void judged(Exchange exchange, List<Verdict> verdicts) {}

  /**
   * Verdicts that are due at the end of the case.
   *
   * @return whether somebody will ask for them; if not, they are due at once
   */
  default boolean owes(Exchange exchange, Supplier<List<Verdict>> atEnd) {
    return false;
  }

  /** A call said how to take back what it made. */
  default void undoNoted(Undo undo) {}

  /** A secret is in use, which from now on must not be shown. */
  default void secret(Secret secret) {}
}
