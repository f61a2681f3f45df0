package org.oddlantern.database;

/**
 * A database that gave no answer: no driver, no connection, a statement it does not understand. The
 * message names database, statement and reason.
 */
public final class DatabaseProblem extends RuntimeException {

  private static final long serialVersionUID = 1L;

  DatabaseProblem(String message, Throwable cause) {
    super(message, cause);
  }

  DatabaseProblem(String message) {
    super(message);
  }
}
