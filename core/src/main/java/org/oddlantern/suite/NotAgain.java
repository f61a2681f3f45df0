package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * The case must not be done again to see what it would notice ({@code --blind-spots}): it does something
 * beyond its services, databases and stand-ins. On a class it holds for all its cases and sections. What a
 * case sends through this library is never sent again, and needs no such mark.
 *
 * <pre>{@code
 * @Case("the keeper gets a letter")
 * @NotAgain("it prints and sends real post")
 * void letter() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface NotAgain {

  /**
   * Why, which reports show.
   *
   * @return the reason; not blank
   */
  String value();
}
