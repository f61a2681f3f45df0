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
 */
public record CaseDefinition(
    CaseId id,
    Class<?> suite,
    Method method,
    String title,
    Position position,
    List<Want> wants,
    @Nullable Type handsOn) {

  /**
   * How messages name it.
   *
   * @return {@code HiveRegisterTest#register (HiveRegisterTest.java:31)}
   */
  public String place() {
    return id.brief() + " (" + position + ")";
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
