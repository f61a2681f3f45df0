package org.oddlantern.http.internal;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;

/** Tells where a service works now: with the case it remembers, else with the case at work, else alone. */
public final class CurrentSurroundings {

  private final Supplier<Surroundings> source;

  private CurrentSurroundings(Supplier<Surroundings> source) {
    this.source = source;
  }

  /** Of one case, whichever thread asks. */
  public static CurrentSurroundings always(Surroundings own) {
    return new CurrentSurroundings(() -> own);
  }

  /** Of the case that the asking thread runs; outside a run, of a transport of its own. */
  public static CurrentSurroundings ofWhoeverAsks() {
    Alone alone = new Alone();
    return new CurrentSurroundings(
        () -> CurrentCase.part(Surroundings.class).orElseGet(alone::surroundings));
  }

  /** Where the service works now. */
  public Surroundings now() {
    return source.get();
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
