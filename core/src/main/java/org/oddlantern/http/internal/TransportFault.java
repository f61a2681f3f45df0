package org.oddlantern.http.internal;

import java.io.IOException;

/** Why no whole reply came, in a sentence that can stand after the call. */
public final class TransportFault extends IOException {

  private static final long serialVersionUID = 1L;

  TransportFault(String sentence, Throwable cause) {
    super(sentence, cause);
  }
}
