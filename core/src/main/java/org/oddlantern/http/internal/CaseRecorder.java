package org.oddlantern.http.internal;

import java.util.Optional;
import org.oddlantern.evidence.internal.EvidenceListener;

/** Hears what a case does with its services, on the terms of {@link EvidenceListener}. */
public interface CaseRecorder extends EvidenceListener {

  /** Hears nothing: what is used outside a run. */
  CaseRecorder NONE = new CaseRecorder() {};

  /** Whose calls they are, told in headers of each; empty if nobody's. */
  default Optional<Caller> caller() {
    return Optional.empty();
  }

  /** A call said how to put back what it made. */
  default void undoNoted(Undo undo) {}
}
