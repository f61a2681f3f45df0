package org.oddlantern.program;

/**
 * A program that could not be started, did not come up, or did not end. The message says which, why, and
 * what it said last.
 */
public final class ProgramProblem extends RuntimeException {

  private static final long serialVersionUID = 1L;

  ProgramProblem(String message) {
    super(message);
  }

  ProgramProblem(String message, Throwable cause) {
    super(message, cause);
  }
}
