package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Names places of what the case is answered that nobody need watch, so that {@code --blind-spots} does not
 * mention them. What holds for every case is said once in the settings, under {@code unwatched}.
 *
 * <pre>{@code
 * @Case("the service is well")
 * @Unwatched({"$.asked", "header ETag"})
 * void well() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Unwatched {

  /**
   * The places, as reports name them: a path, with all that lies inside; {@code header} and a name;
   * {@code status}; {@code body}. With an operation before it, {@code GET /status $.asked}, a place of that.
   *
   * @return one place or more
   */
  String[] value();
}
