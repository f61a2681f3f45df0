package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Marks a method as a case: one thing that the service is to do, said in plain words and put to the test.
 *
 * <p>What the method returns is handed to every case that takes that type as a parameter; what it
 * takes is made for it by other cases, which run first. The method may have any visibility and may
 * throw anything: an {@link AssertionError} makes the case <em>failed</em>, anything else
 * <em>errored</em>.
 *
 * <pre>{@code
 * @Case("the new hive can be read back")
 * void readBack(HiveId id) {
 *     beeyard.send(Call.get("/hives/{id}", id)).must(status(200));
 * }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Case {

  /**
   * The title of the case in plain words; empty means that the method's name is its title.
   *
   * @return the title
   */
  String value() default "";
}
