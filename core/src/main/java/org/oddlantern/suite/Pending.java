package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Marks a case that has a title and no code yet: it is not run and reported as <em>pending</em>.
 *
 * <pre>{@code
 * @Case("a lost queen is reported")
 * @Pending
 * void lostQueen() {}
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface Pending {}
