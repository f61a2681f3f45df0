package org.oddlantern.http.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.http.NotSent;
import org.oddlantern.internal.CurrentCase;

/**
 * Tells where a service works now: with the case it was given to while that lasts, else with the case of
 * the asking thread, else, outside a run, alone.
 */
public final class CurrentSurroundings {

  private static final String WHAT_TO_DO =
      "; a thread that outlives a case keeps the case it was started in, so start it in the case that uses it, or give it a service of that case";

  private final @Nullable Surroundings own;
  private final Alone alone = new Alone();

  private CurrentSurroundings(@Nullable Surroundings own) {
    this.own = own;
  }

  /**
   * Of the case that something is made for, while it lasts, whichever thread asks; then, or if it is made
   * for none, of the case that the asking thread runs; outside a run, of a transport of its own.
   */
  public static CurrentSurroundings ofWhoeverMakes() {
    return new CurrentSurroundings(
        CurrentCase.part(MadeFor.class).map(MadeFor::surroundings).orElse(null));
  }

  /**
   * Where the service works now.
   *
   * @param what what is to be sent, for the message
   * @throws NotSent if neither its case nor that of the asking thread lasts
   */
  public Surroundings now(Object what) {
    if (own != null && own.recorder().whyEnded().isEmpty()) {
      return own;
    }
    Surroundings asking = CurrentCase.part(Surroundings.class).orElse(null);
    if (asking == null) {
      if (own != null) {
        throw new NotSent(what + " was not sent: " + own.recorder().whyEnded()
            + ", and the thread '" + Thread.currentThread().getName() + "' belongs to no case"
            + WHAT_TO_DO);
      }
      return alone.surroundings();
    }
    String ended = asking.recorder().whyEnded();
    if (!ended.isEmpty()) {
      throw new NotSent(what + " was not sent: " + ended + ", and the thread '"
          + Thread.currentThread().getName() + "' belongs to it" + WHAT_TO_DO);
    }
    return own == null ? asking : own.heardBy(asking);
  }

  /** A transport made when it is first needed. */
  private static final class Alone {
    private @Nullable Surroundings made;

    synchronized Surroundings surroundings() {
      if (made == null) {
        made = Surroundings.alone();
      }
      return made;
    }
  }
}
