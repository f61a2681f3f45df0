package org.oddlantern.suite;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Says that a case ends what this parameter stands for, by removing it for instance. It runs after
 * every other user of the value that does not depend on it; when it has passed, what would have taken
 * the value back is left out. One case may use up a value.
 *
 * <pre>{@code
 * @Case("a hive that was removed is gone")
 * void remove(@UsesUp HiveId id) { ... }
 * }</pre>
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.PARAMETER)
public @interface UsesUp {}
