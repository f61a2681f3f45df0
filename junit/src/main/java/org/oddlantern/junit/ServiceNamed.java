package org.oddlantern.junit;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Says which service of the environment a parameter is. Not needed where the environment has only one.
 *
 * <pre>{@code
 * @Test
 * void hivesAreListed(@ServiceNamed("beeyard") Service beeyard) { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.PARAMETER)
public @interface ServiceNamed {

  /**
   * The service.
   *
   * @return its name in the settings
   */
  String value();
}
