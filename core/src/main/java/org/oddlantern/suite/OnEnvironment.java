package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Inherited;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Pins a suite, its sections and the suites that extend it to one environment of the settings, whatever
 * environment the others run on. What its cases take is made on that environment too. Only {@code --set}
 * wins over it.
 *
 * <pre>{@code
 * @OnEnvironment("staging")
 * public class PublishedDocumentsTest { ... }
 * }</pre>
 */
@Documented
@Inherited
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface OnEnvironment {

  /**
   * The environment.
   *
   * @return its name in the settings
   */
  String value();
}
