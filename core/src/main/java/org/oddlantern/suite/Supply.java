package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Marks a method that makes a value for whoever takes its type: a keeper who is signed in, a hive to
 * work on, the service under test itself. Without more, everyone who asks gets one of his own, made
 * right before; a shared one is made once in a run, before the first who takes it.
 *
 * <p>A supply may take what a case may take. It is looked for like a case that makes the type. What it
 * made is put back by a {@link TidyUp} method that takes the type, by {@code undoneBy} of its calls, or
 * by {@code close()} if the value is {@link AutoCloseable}. If it fails, it is errored, and who asked
 * is blocked. A {@link TimeLimit} on the method is its own; 60 s where none is.
 *
 * <pre>{@code
 * @Supply("a keeper of one's own")
 * Keeper keeper(Fresh fresh) { ... }
 *
 * @Supply(value = "the beeyard under test", shared = true)
 * static Beeyard beeyard() { return Beeyard.started(); }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Supply {

  /**
   * What it makes, in plain words; empty means that the method's name is its title.
   *
   * @return the title
   */
  String value() default "";

  /**
   * Whether all takers get the same one.
   *
   * @return false if each gets one of his own
   */
  boolean shared() default false;
}
