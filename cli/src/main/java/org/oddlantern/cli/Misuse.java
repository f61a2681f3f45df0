package org.oddlantern.cli;

/** Words on the command line that cannot be followed; the message says what to do. */
final class Misuse extends RuntimeException {

  private static final long serialVersionUID = 1L;

  Misuse(String message) {
    super(message);
  }
}
