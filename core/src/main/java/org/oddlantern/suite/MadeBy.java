package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Names the classes, with their sections, in which alone the maker of this parameter is looked for.
 * Without it the maker is looked for from the inside out: in the taker's class, the classes around it,
 * the other sections beside it, and where the type itself is declared.
 *
 * <pre>{@code
 * void readBack(@MadeBy(HiveRegisterTest.class) HiveId id) { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.PARAMETER)
public @interface MadeBy {

  /**
   * Where to look.
   *
   * @return the classes
   */
  Class<?>[] value();
}
