package org.oddlantern.http.internal;

import java.util.Optional;
import org.oddlantern.evidence.internal.EvidenceListener;

/** Hears what a case does with its services, on the terms of {@link EvidenceListener}. */
public interface CaseRecorder extends EvidenceListener {

  /** Hears nothing: what is used outside a run. */
  CaseRecorder NONE = new CaseRecorder() {};

  /** Hears of what was asked for cases that are over. */
  CaseRecorder OVER = new CaseRecorder() {
    @Override
    public String whyEnded() {
      return "it has ended";
    }
  };

  /** Whose calls they are, told in headers of each; empty if nobody's. */
  default Optional<Caller> caller() {
    return Optional.empty();
  }

  /** Whether no other case that occupies the same runs meanwhile. */
  default boolean occupies(String what) {
    return false;
  }

  /** A call said how to put back what it made, or something was opened that is to be closed. */
  default void undoNoted(Undo undo) {}
}
