package org.oddlantern.http.internal;

import org.oddlantern.internal.CurrentCase;

/** Bound while a case is asked what is due at its end: calls made by that owe no such checks again. */
public record Settling() {

  /** Whether this thread does so now. */
  public static boolean isNow() {
    return CurrentCase.part(Settling.class).isPresent();
  }
}
