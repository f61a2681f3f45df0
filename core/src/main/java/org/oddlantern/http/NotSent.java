package org.oddlantern.http;

/**
 * A call that was not sent: the environment is read-only, or its credentials could not be fetched. The
 * message says why and what to do; the case is errored.
 */
public final class NotSent extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /**
   * For something that was not sent.
   *
   * @param message why, and what to do
   */
  public NotSent(String message) {
    super(message);
  }
}
