package org.oddlantern.http.internal;

import org.oddlantern.internal.CurrentCase;

/** Bound while a service is made whose address the command line set: code does not move it. */
public record FixedAddress() {

  /** Whether this thread makes such a service now. */
  public static boolean isWanted() {
    return CurrentCase.part(FixedAddress.class).isPresent();
  }
}
