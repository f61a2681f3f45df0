package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Lets a case, or each case of a class and its sections, run only while no other runs: when none is
 * running and no other can start.
 *
 * <pre>{@code
 * @Case("the season can be closed")
 * @Alone
 * void close() { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Alone {}
