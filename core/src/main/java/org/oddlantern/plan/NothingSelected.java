package org.oddlantern.plan;

/** A selection that matches no case; the message names the nearest ones. */
public final class NothingSelected extends RuntimeException {

  private static final long serialVersionUID = 1L;

  NothingSelected(String message) {
    super(message);
  }
}
