package org.oddlantern.internal.plan;

import java.util.List;
import java.util.Set;

/**
 * A shared supply that will be made.
 *
 * @param definition the supply
 * @param order its place in source order, from 0
 * @param bound how it is called
 * @param after what must have finished before it starts, makers included
 * @param values the makers of all values it uses, directly or through what others made of them
 */
public record PlannedSupply(
    SupplyDefinition definition,
    int order,
    BoundMethod bound,
    Set<Integer> after,
    List<Integer> values)
    implements Planned {

  @Override
  public String name() {
    return definition.id().toString();
  }
}
