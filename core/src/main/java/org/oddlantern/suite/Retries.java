package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Lets a case that does not pass be tried again, so many times. Each try is a new one from the start, with
 * what it takes
 * from supplies made anew, after what the one before made was put back. A case that passes after it
 * failed is marked <em>flaky</em>, and every try is in the report.
 *
 * <pre>{@code
 * @Case("the weather of the day is known")
 * @Retries(2)
 * void weather() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Retries {

  /**
   * How often it is tried again at most, after the first try.
   *
   * @return 0 or more; 0 takes back what the class says
   */
  int value();
}
