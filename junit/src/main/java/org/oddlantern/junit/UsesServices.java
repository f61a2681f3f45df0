package org.oddlantern.junit;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Inherited;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * Gives the methods of a plain JUnit 5 test an {@code Environment}, a {@code Service} or {@code Fresh}
 * values. What a test sends is recorded, what it made is put back, and the test is in the report
 * beside the suites. An error status that nobody looked at fails it.
 *
 * <pre>{@code
 * @UsesServices
 * class HiveSmokeTest {
 *   @Test
 *   void hivesAreListed(@ServiceNamed("beeyard") Service beeyard) {
 *     beeyard.send(Call.get("/hives")).must(status(200));
 *   }
 * }
 * }</pre>
 */
@Documented
@Inherited
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
@ExtendWith(ServicesExtension.class)
public @interface UsesServices {}
