package org.oddlantern.check;

import org.oddlantern.evidence.Check;

/** Asks every item at a path. Made by {@link Checks#atEach}. Immutable and thread-safe. */
public sealed interface EachCheck extends Check permits EachPathCheck {

  /**
   * The same, the items known by what is at a path of each, where no {@code id} or the like does.
   *
   * @param inside a path to one place, from the item: {@code $.tag}
   * @return the check
   * @throws IllegalArgumentException if it is no path, or leads to many places
   */
  EachCheck identifiedBy(String inside);
}
