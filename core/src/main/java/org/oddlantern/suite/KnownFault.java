package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Says that the service is known not to do this yet. The case runs; if it fails it is reported as
 * a <em>known fault</em> and the build stays green; what takes its value is skipped. If it passes it is
 * marked <em>fixed</em>, and {@code --fail-on fixed} makes the run fail, so that the mark is removed. A
 * case that is errored stays errored.
 *
 * <pre>{@code
 * @Case("frames are counted by halves")
 * @KnownFault("BEE-17")
 * void halves() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface KnownFault {

  /**
   * Where the fault is noted.
   *
   * @return a reference, like the number of an issue
   */
  String value();
}
