package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Says that a case changes what this parameter stands for. Cases that only read it, and take nothing
 * that this case returns, run before; those that take what it returns run after, and before the next
 * change.
 *
 * <pre>{@code
 * @Case("a hive is renamed")
 * Renamed rename(@Changes HiveId id, Fresh fresh) { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.PARAMETER)
public @interface Changes {}
