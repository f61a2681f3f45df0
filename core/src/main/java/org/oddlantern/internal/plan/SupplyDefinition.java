package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Type;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A supply as its class defines it.
 *
 * @param suite the concrete class it belongs to, which may inherit the method
 * @param method the method
 * @param title what it makes, in plain words
 * @param position where it stands
 * @param parameters what it takes, constructors included, built-in things left out
 * @param handsOn the type it makes
 * @param environment the environment it is made on; empty for the run's
 * @param shared whether all takers get the same one
 * @param timeLimit how long it may take
 */
public record SupplyDefinition(
    Class<?> suite,
    Method method,
    String title,
    Position position,
    List<ValueParameter> parameters,
    Type handsOn,
    String environment,
    boolean shared,
    Duration timeLimit)
    implements Maker {

  /**
   * What it is known by.
   *
   * @return its identity
   */
  public CaseId id() {
    return new CaseId(suite.getName(), method.getName(), environment, "");
  }

  @Override
  public String name() {
    return id().brief();
  }

  @Override
  public SupplyDefinition on(String other) {
    return new SupplyDefinition(
        suite, method, title, position, parameters, handsOn, other, shared, timeLimit);
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof SupplyDefinition that
        && isSameAs(that)
        && environment.equals(that.environment);
  }

  @Override
  public int hashCode() {
    return Objects.hash(suite, method, environment);
  }
}
