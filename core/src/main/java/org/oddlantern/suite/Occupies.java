package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Names things that cannot be shared: of the cases that occupy the same, one runs at a time. On a class it
 * holds for all its cases and sections.
 *
 * <pre>{@code
 * @Case("a keeper hears of a swarm")
 * @Occupies("mailbox")
 * void heard() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Occupies {

  /**
   * What is occupied, in words of one's own.
   *
   * @return one name or more
   */
  String[] value();
}
