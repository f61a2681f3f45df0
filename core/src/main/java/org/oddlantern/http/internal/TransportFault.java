package org.oddlantern.http.internal;

import java.io.IOException;

/** Why no whole reply came, in a sentence that can stand after the call. */
public final class TransportFault extends IOException {

  private static final long serialVersionUID = 1L;

  private final boolean late;

  TransportFault(String sentence, Throwable cause, boolean late) {
    super(sentence, cause);
    this.late = late;
  }

  /** Whether nothing is wrong but the time it took. */
  public boolean isLate() {
    return late;
  }
}
