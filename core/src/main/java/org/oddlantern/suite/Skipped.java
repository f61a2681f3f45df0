package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Keeps a case, or all cases of a class and its sections, from running: they are <em>skipped</em>, with
 * the reason. What takes their values is skipped too. After the day, if one is given, they fail, so that
 * they are not forgotten.
 *
 * <pre>{@code
 * @Case("the neighbour hears of a swarm")
 * @Skipped(why = "the mail server moves", until = "2026-12-01")
 * void swarm() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Skipped {

  /**
   * Why not.
   *
   * @return the reason, in plain words
   */
  String why();

  /**
   * The last day on which it is skipped.
   *
   * @return a date like {@code 2026-12-01}; empty for no end
   */
  String until() default "";
}
