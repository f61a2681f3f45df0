package org.oddlantern.internal.record;

/**
 * What was asked, whatever its arguments, and which status answered: places of a refusal are others than
 * those of a success.
 *
 * @param service the name of the service, of the database; empty if it has none, or for any other look
 * @param method the method of a call; empty for what is no call
 * @param template the address before arguments took their places, the statement, or what was looked at
 * @param status the status; 0 for what is no call
 */
public record OperationRecord(String service, String method, String template, int status) {

  /** Whether it is a call to a service. */
  public boolean isCall() {
    return !method.isEmpty();
  }

  /**
   * The operation without service and status.
   *
   * @return {@code GET /hives/{id}}; the statement or title of what is no call
   */
  public String line() {
    return isCall() ? method + " " + template : template;
  }
}
