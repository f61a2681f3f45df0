package org.oddlantern.internal.plan;

import java.util.List;
import java.util.Set;

/**
 * A case that will run.
 *
 * @param definition the case
 * @param order its place in source order, from 0
 * @param needed whether it runs only because another case needs what it makes
 * @param bound how it is called
 * @param after what must have finished before it starts, makers included
 * @param values the makers of all values it uses, directly or through what others made of them
 * @param changes the makers of the values it changes
 * @param usesUp the makers of the values it uses up
 */
public record PlannedCase(
    CaseDefinition definition,
    int order,
    boolean needed,
    BoundMethod bound,
    Set<Integer> after,
    List<Integer> values,
    List<Integer> changes,
    List<Integer> usesUp)
    implements Planned {
  @Override
  public String name() {
    return definition.id().toString();
  }
}
