/** For plain JUnit 5 tests: services of the settings, recorded and reported as in suites. */
@NullMarked
package org.oddlantern.junit;

import org.jspecify.annotations.NullMarked;
