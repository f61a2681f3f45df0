package org.oddlantern.internal.run;

import java.time.Instant;
import org.oddlantern.evidence.internal.Asked;

/**
 * A part of a case begins; it stands among what the case asks, so that it is forgotten with it.
 *
 * @param words what it is about
 * @param at when
 */
record Step(String words, Instant at) implements Asked {

  @Override
  public String line() {
    return words;
  }
}
