package org.oddlantern.internal.junit;

/** Why a case has not run to its end; its message is complete. */
final class CaseProblem extends RuntimeException {

  private static final long serialVersionUID = 1L;

  CaseProblem(String message) {
    super(message);
  }
}
