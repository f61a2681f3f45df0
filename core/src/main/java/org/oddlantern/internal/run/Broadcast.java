package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;

/** Tells listeners one event at a time; one that throws hears nothing more, and the others go on. */
final class Broadcast {

  private final List<RunListener> listeners;
  private final boolean beginnings;
  private final List<String> problems = new ArrayList<>();
  private boolean ended;

  Broadcast(List<RunListener> listeners) {
    this.listeners = new ArrayList<>(listeners);
    this.beginnings = listeners.stream().anyMatch(RunListener::hearsBeginnings);
  }

  boolean tellsBeginnings() {
    return beginnings;
  }

  synchronized void tell(RunEvent event) {
    if (ended) {
      return; // what comes after the end is no part of the run any more
    }
    ended = event instanceof RunEvent.Ended;
    for (RunListener listener : List.copyOf(listeners)) {
      try {
        listener.hear(event);
      } catch (Throwable e) {
        listeners.remove(listener);
        problem("%s could not go on: %s: %s"
            .formatted(listener, e.getClass().getSimpleName(), e.getMessage()));
      }
    }
  }

  /** Something that no case can be blamed for, and nobody may overlook. */
  synchronized void problem(String sentence) {
    problems.add(sentence);
    tell(new RunEvent.ProblemFound(sentence));
  }

  /** The same of what may be found again and again. */
  synchronized void problemOnce(String sentence) {
    if (!problems.contains(sentence)) {
      problem(sentence);
    }
  }

  synchronized List<String> problems() {
    return List.copyOf(problems);
  }
}
