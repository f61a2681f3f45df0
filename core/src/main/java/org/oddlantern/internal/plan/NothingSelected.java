package org.oddlantern.internal.plan;

/** A selection that matches no case; the message names the nearest ones. */
public final class NothingSelected extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /**
   * Nothing.
   *
   * @param message what was asked for, and what there is
   */
  public NothingSelected(String message) {
    super(message);
  }
}
