package org.oddlantern.internal.plan;

import java.util.List;
import java.util.stream.Collectors;

/** A plan that cannot be run; the message tells every problem of it. Nothing was sent. */
public final class PlanRefused extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final transient List<PlanProblem> problems;

  /**
   * For problems that were found.
   *
   * @param problems one or more
   */
  public PlanRefused(List<PlanProblem> problems) {
    super(problems.stream()
        .map(problem -> "  " + problem)
        .collect(Collectors.joining(
            "\n",
            (problems.size() == 1
                    ? "the plan has a problem"
                    : "the plan has " + problems.size() + " problems")
                + "; nothing was sent:\n",
            "")));
    this.problems = List.copyOf(problems);
  }

  /**
   * The problems.
   *
   * @return one or more, in source order
   */
  public List<PlanProblem> problems() {
    return problems;
  }
}
