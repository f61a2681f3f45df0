package org.oddlantern.internal.plan;

/**
 * Something that keeps a plan from being run.
 *
 * @param place where: class, method and line, as far as known
 * @param message what is wrong and what to do
 */
public record PlanProblem(String place, String message) {

  @Override
  public String toString() {
    return place + ": " + message;
  }
}
