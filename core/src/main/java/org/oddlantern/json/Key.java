package org.oddlantern.json;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Makes a record of one component travel as that component: {@code HiveId(17)} is {@code 17} in a
 * body, in a path and in a comparison.
 *
 * <pre>{@code
 * @Key record HiveId(int value) {}
 * }</pre>
 *
 * <p>On anything but a record of exactly one component the mark is refused when the type is first
 * written or read.
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface Key {}
