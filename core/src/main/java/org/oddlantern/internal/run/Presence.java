package org.oddlantern.internal.run;

import java.util.Set;
import org.oddlantern.http.internal.Caller;
import org.oddlantern.http.internal.Callers;
import org.oddlantern.http.internal.CaseRecorder;

/** By what a case can be told from others while it is under way. */
final class Presence {

  private final Callers callers;
  private final Caller caller;
  private volatile Set<String> occupied = Set.of();

  Presence(Callers callers, Caller caller) {
    this.callers = callers;
    this.caller = caller;
  }

  Caller caller() {
    return caller;
  }

  void begun(CaseRecorder recorder) {
    callers.begun(recorder, caller);
  }

  void ended(CaseRecorder recorder) {
    callers.ended(recorder, caller);
  }

  /** No other case that occupies one of these runs meanwhile. */
  void occupying(Set<String> names) {
    occupied = Set.copyOf(names);
  }

  boolean occupies(String name) {
    return occupied.contains(name);
  }
}
