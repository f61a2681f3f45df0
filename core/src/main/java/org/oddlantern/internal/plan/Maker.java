package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Type;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What makes a value: a case that hands one on, a supply, or a method of samples. */
public sealed interface Maker permits CaseDefinition, SupplyDefinition, SamplesDefinition {

  /**
   * The concrete class it belongs to, which may inherit the method.
   *
   * @return the class
   */
  Class<?> suite();

  /**
   * The method.
   *
   * @return the method
   */
  Method method();

  /**
   * Where it stands.
   *
   * @return the position in the source
   */
  Position position();

  /**
   * What it takes, constructors included, built-in things left out.
   *
   * @return the wants
   */
  List<ValueParameter> parameters();

  /**
   * The type it hands on.
   *
   * @return the type, or null if it is a case that hands nothing on
   */
  @Nullable
  Type handsOn();

  /**
   * The environment it is pinned to.
   *
   * @return the name; empty for the run's
   */
  String environment();

  /**
   * Its name in messages.
   *
   * @return {@code HiveRegisterTest#register}
   */
  String name();

  /** It, to be made on another environment than its own. */
  Maker on(String other);

  /**
   * Its name in messages with its place.
   *
   * @return {@code HiveRegisterTest#register (HiveRegisterTest.java:31)}
   */
  default String place() {
    return name() + " (" + position() + ")";
  }

  /** Whether both are the same method of the same suite, wherever they run. */
  default boolean isSameAs(Maker other) {
    return suite() == other.suite() && method().equals(other.method());
  }
}
