package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * How long a case may take, or each case of a class and its sections; 60 s where nothing is said. A case
 * that takes longer is interrupted and <em>errored</em>, with the place where it stood, and the run goes
 * on. Waiting for other cases and taking things back do not count.
 *
 * <pre>{@code
 * @Case("a whole season can be exported")
 * @TimeLimit("5m")
 * void export() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface TimeLimit {

  /**
   * The limit.
   *
   * @return a time like {@code 500ms}, {@code 20s} or {@code 2m}
   */
  String value();
}
