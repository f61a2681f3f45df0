package org.oddlantern.internal.description;

import org.oddlantern.schema.SchemaProblem;

/** A description that cannot be used, with the place. */
public final class DescriptionProblem extends IllegalArgumentException {

  private static final long serialVersionUID = 1L;

  /**
   * A problem.
   *
   * @param place the file and the JSON Pointer in it: {@code beeyard.yaml#/paths/~1hives/get}
   * @param reason what is wrong there
   */
  public DescriptionProblem(String place, String reason) {
    super("the description cannot be used: at " + place + ": " + reason);
  }

  static DescriptionProblem of(SchemaProblem problem) {
    return new DescriptionProblem(problem.place(), problem.reason());
  }
}
