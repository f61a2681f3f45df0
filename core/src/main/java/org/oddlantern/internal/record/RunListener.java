package org.oddlantern.internal.record;

/**
 * Hears what happens in a run. Events come one at a time, each complete and masked: {@code Started}
 * first, {@code Ended} last, a {@code CaseBegan} before the {@code CaseFinished} of the same case, a {@code PutBack} after the {@code UndoNoted} and the {@code PutBackBegan} of the same thing. A listener
 * that throws hears nothing more; its exception becomes a problem of the run and stops no case.
 */
@FunctionalInterface
public interface RunListener {

  /**
   * Hears of an event.
   *
   * @param event what happened
   * @throws Exception if the listener cannot do its work
   */
  void hear(RunEvent event) throws Exception;

  /**
   * Whether it wants to hear of beginnings, {@code CaseBegan}; if nobody does, they are not told.
   *
   * @return true if it does
   */
  default boolean hearsBeginnings() {
    return false;
  }
}
