package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Type;
import java.util.List;

/**
 * A method that puts values of a type back.
 *
 * @param suite the concrete class it belongs to, which may inherit the method
 * @param method the method
 * @param position where it stands
 * @param value the type of what it puts back
 * @param parameters what it takes besides, constructors included, built-in things left out
 */
public record TidyUpDefinition(
    Class<?> suite, Method method, Position position, Type value, List<ValueParameter> parameters) {

  /**
   * Its name in messages.
   *
   * @return {@code HiveRegisterTest#remove}
   */
  public String name() {
    return new CaseId(suite.getName(), method.getName(), "", "").brief();
  }

  /**
   * Its name in messages with its place.
   *
   * @return {@code HiveRegisterTest#remove (HiveRegisterTest.java:31)}
   */
  public String place() {
    return name() + " (" + position + ")";
  }
}
