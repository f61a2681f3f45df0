package org.oddlantern.evidence.internal;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.internal.CurrentCase;

/** Gathers failures while a piece of a case goes on. Thread-safe. */
public final class Gathering {

  private final boolean open;
  private final List<CheckFailed> failures = new ArrayList<>();

  private Gathering(boolean open) {
    this.open = open;
  }

  /** Takes what fails. */
  public static Gathering begun() {
    return new Gathering(true);
  }

  /** Takes nothing, although one around it would: a try must end with its first failure. */
  public static Gathering suspended() {
    return new Gathering(false);
  }

  /** Gives a failure to whoever gathers for this thread; throws it if nobody does. */
  public static void giveUp(CheckFailed failure) {
    boolean gathered = CurrentCase.part(Gathering.class)
        .map(gathering -> gathering.take(failure))
        .orElse(false);
    if (!gathered) {
      throw failure;
    }
  }

  private synchronized boolean take(CheckFailed failure) {
    if (open) {
      failures.add(failure);
    }
    return open;
  }

  /** What failed so far. */
  public synchronized List<CheckFailed> failures() {
    return List.copyOf(failures);
  }
}
