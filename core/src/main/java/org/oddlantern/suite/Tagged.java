package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Words by which cases are chosen: {@code --tag smoke --without-tag slow}. On a class they hold for all its
 * cases, its sections and the suites that extend it.
 *
 * <pre>{@code
 * @Case("a hive is registered")
 * @Tagged("smoke")
 * HiveId register(Fresh fresh) { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Tagged {

  /**
   * The tags.
   *
   * @return one word or more, without blanks or commas
   */
  String[] value();
}
