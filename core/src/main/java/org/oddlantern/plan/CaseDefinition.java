package org.oddlantern.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Type;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A case as its class defines it.
 *
 * @param id what it is known by
 * @param suite the concrete class it belongs to, which may inherit the method
 * @param method the method
 * @param title its title in plain words
 * @param position where it stands
 * @param wants what it takes, constructors included, built-in things left out
 * @param handsOn the type it hands on, or null
 * @param environment the environment it is pinned to; empty for the run's
 * @param marks what is marked on it
 */
public record CaseDefinition(
    CaseId id,
    Class<?> suite,
    Method method,
    String title,
    Position position,
    List<Want> wants,
    @Nullable Type handsOn,
    String environment,
    CaseMarks marks) {

  /**
   * How messages name it.
   *
   * @return {@code HiveRegisterTest#register (HiveRegisterTest.java:31)}
   */
  public String place() {
    return id.brief() + " (" + position + ")";
  }

  /** This case on another environment than its own. */
  CaseDefinition on(String other) {
    return new CaseDefinition(
        new CaseId(id.suite(), id.method(), other),
        suite,
        method,
        title,
        position,
        wants,
        handsOn,
        other,
        marks);
  }

  /** Whether both are the same method of the same suite, wherever they run. */
  boolean isSameAs(CaseDefinition other) {
    return id.anywhere().equals(other.id.anywhere()) && suite == other.suite;
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof CaseDefinition that && that.id.equals(id) && that.suite == suite;
  }

  @Override
  public int hashCode() {
    return id.hashCode();
  }
}
